/**
 * Letters a password of one's own has at least and at most: length is what counts, nothing else is asked of it (NIST SP 800-63B, §5.1.1.2:
 * at least 8, at least 64 allowed, no rules of composition; from memory).
 */
export const PASSWORD_LENGTH = { least: 8, most: 200 } as const;

/** Why somebody cannot have a password; null where they can. */
export type PasswordFault = 'short' | 'long' | 'name' | 'alike';

const letters = (text: string): readonly string[] => [...text.normalize('NFKC')];

/**
 * Whether a person may have a password: long enough, not their name (nor their name with a little around it), not one letter again and
 * again.
 */
export function passwordFault(password: string, signInName: string): PasswordFault | null {
  const own = letters(password);
  if (own.length < PASSWORD_LENGTH.least) return 'short';
  if (own.length > PASSWORD_LENGTH.most) return 'long';
  const [plain, name] = [password.toLowerCase(), signInName.toLowerCase()];
  if (name !== '' && plain.includes(name) && plain.length - name.length < PASSWORD_LENGTH.least)
    return 'name';
  return new Set(own).size < 4 ? 'alike' : null;
}
