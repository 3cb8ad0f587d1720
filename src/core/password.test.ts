import { passwordFault } from './password';

test.each([
  ['tidepool', null],
  ['a whole sentence is fine, too', null],
  ['señal-größe', null],
  ['seven77', 'short'],
  ['', 'short'],
  ['x1y2'.repeat(51), 'long'],
  ['wren2026', 'name'],
  ['WREN-wren', 'name'],
  ['wren watches the tide', null],
  ['aaaaaaaaaa', 'alike'],
  ['12121212', 'alike'],
  // Counted as letters, not as what they are written with.
  ['🐚🐚🐚🐚', 'short'],
] as const)('%j: %s', (password, fault) => {
  expect(passwordFault(password, 'wren')).toBe(fault);
});

test('a name that is as long as a password is still no password', () => {
  expect(passwordFault('petra.vance', 'petra.vance')).toBe('name');
});
