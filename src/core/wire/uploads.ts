/** How large a roster may be that is sent in one archive, in bytes: a district of hundreds of thousands. */
export const ROSTER_BYTES = 50_000_000;
