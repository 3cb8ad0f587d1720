import { actsOf, type Act, type Role } from '@/core/access/access';

/** The adults' pages, in the order they are offered, each with what one must be allowed to do there. */
export const PAGES = [
  { place: 'now', act: 'supervise', path: '/desk' },
  { place: 'give', act: 'give', path: '/desk/give' },
  { place: 'marking', act: 'mark', path: '/desk/marking' },
  { place: 'results', act: 'see-results', path: '/desk/results' },
  { place: 'library', act: 'keep-library', path: '/desk/library' },
  { place: 'people', act: 'keep-people', path: '/desk/people' },
] as const satisfies readonly { readonly place: string; readonly act: Act; readonly path: string }[];
export type DeskPlace = (typeof PAGES)[number]['place'];

/** Where somebody comes to after signing in. */
export const firstPage = (role: Role): string =>
  actsOf(role).includes('take')
    ? '/tests'
    : (PAGES.find(({ act }) => actsOf(role).includes(act))?.path ?? '/sign-in');
