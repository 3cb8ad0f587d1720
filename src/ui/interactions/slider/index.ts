import { defineView } from '../types';
import { SliderView } from './SliderView';

export const sliderView = defineView('slider', SliderView, () => import('./lesson'));
