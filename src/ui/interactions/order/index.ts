import { defineView } from '../types';
import { OrderView } from './OrderView';

export const orderView = defineView('order', OrderView, () => import('./lesson'));
