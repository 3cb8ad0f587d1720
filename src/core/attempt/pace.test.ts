import { evenShare, isBehind } from './pace';

const MINUTE = 60_000;
const at = (answered: number, minutes: number) => ({
  answered,
  of: 40,
  limit: 80 * MINUTE,
  used: minutes * MINUTE,
});

test.each([
  [at(0, 0), 0, false],
  [at(0, 8), 4, false],
  [at(0, 9), 4.5, true],
  [at(16, 40), 20, false],
  [at(15, 40), 20, true],
  [at(40, 80), 40, false],
  // Time over the limit asks for no more than there is.
  [at(36, 200), 40, false],
  [{ answered: 0, of: 40, limit: 0, used: 0 }, 40, true],
])('%j: an even share is %d, behind: %s', (standing, share, behind) => {
  expect(evenShare(standing)).toBe(share);
  expect(isBehind(standing)).toBe(behind);
});
