/** How large a roster may be that is sent in one archive, in bytes: a district of hundreds of thousands. */
export const ROSTER_BYTES = 50_000_000;
/** How large a list of students may be that a test is given to, in bytes: the numbers of a whole school (`MOST_GIVEN`). */
export const GIVING_BYTES = 200_000;
/** How large a package may be, in bytes, and the pieces it is sent in: each is a short request, and may be sent again. */
export const PACKAGE_BYTES = 200_000_000;
export const PIECE_BYTES = 2_000_000;
/** How large an answer may be that is tried in the library, in bytes: a drawing, a file. */
export const TRIED_BYTES = 4_000_000;
