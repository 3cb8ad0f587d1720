import { switchState } from '../switchState';

export const BRAILLE = switchState('braille', 'test');
