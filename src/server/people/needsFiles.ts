import type { ReadNeeds } from '@/core/wire/people';
import { needsFromPnp, pnpFrom } from '@/core/needs/pnp';
import { pnpFromJson, pnpFromXml, PnpError, pnpToJson, pnpToXml } from '@/core/needs/pnpFiles';
import { XmlError } from '@/core/xml/xml';
import { requireAct } from '../accounts/access';
import type { User } from '../accounts/users';
import type { Db } from '../db/open';
import { Refusal } from '../refusal';
import { personPage } from './person';

/** The profile in a text: JSON where it begins as an object does, else XML. */
function profileIn(text: string) {
  return text.trimStart().startsWith('{') ? pnpFromJson(JSON.parse(text)) : pnpFromXml(text);
}

/**
 * What a file of needs (AfA PNP) asks for, to be looked at before it is set.
 * @throws Refusal `not-yours`; `no-profile` with what is wrong with the file
 */
export function readNeedsFile(by: User, text: string): ReadNeeds {
  requireAct(by, 'give');
  try {
    return needsFromPnp(profileIn(text));
  } catch (error) {
    if (error instanceof PnpError || error instanceof XmlError || error instanceof SyntaxError)
      throw new Refusal('no-profile', 400, { why: error.message });
    throw error;
  }
}

/** What is set for a student as such a file. @throws Refusal `not-yours`, `not-found` */
export function needsFile(db: Db, by: User, userId: number, as: 'xml' | 'json'): string {
  const { needs } = personPage(db, by, userId);
  if (!needs) throw new Refusal('not-found', 404);
  const profile = pnpFrom(needs);
  return as === 'json' ? `${JSON.stringify(pnpToJson(profile), null, 2)}\n` : pnpToXml(profile);
}
