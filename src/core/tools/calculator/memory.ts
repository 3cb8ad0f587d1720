import { workOut } from './evaluate';

/** The memory after a result was added to it or taken from it; unchanged where that has no value. Kept as it would be typed. */
export function remembered(memory: string | null, sign: '+' | '−', result: string): string {
  const sum = workOut(`${memory ?? '0'}${sign}(${result})`, 'scientific', 'degrees');
  return sum.ok ? sum.text : (memory ?? '0');
}
