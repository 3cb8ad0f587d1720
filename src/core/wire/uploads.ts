/** How large a roster may be that is sent in one archive, in bytes: a district of hundreds of thousands. */
export const ROSTER_BYTES = 50_000_000;
/** How large a list of students may be that a test is given to, in bytes: the numbers of a whole school (`MOST_GIVEN`). */
export const GIVING_BYTES = 200_000;
