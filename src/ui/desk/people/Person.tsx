'use client';

import type { DeskUser } from '@/core/wire/desk';
import type { PersonPage, WhatIsErased } from '@/core/wire/people';
import { useTranslations } from 'use-intl';
import entry from '../../entry/entry.module.css';
import { Fact } from '../../entry/SetForYou';
import { DeskPage } from '../DeskPage';
import { NeedsForm } from './NeedsForm';
import { PersonData } from './PersonData';
import { Sessions } from './Sessions';

interface Props {
  readonly user: DeskUser;
  readonly person: PersonPage;
  /** For who keeps people alone. */
  readonly erased: WhatIsErased | null;
}

/** One person: what is set for them, where they are signed in, and what is kept of them. */
export function Person({ user, ...rest }: Props) {
  const keeps = user.acts.includes('keep-people');
  return (
    <DeskPage user={user} place={keeps ? 'people' : 'give'}>
      <Sections back={keeps ? '/desk/people' : '/desk/give'} {...rest} />
    </DeskPage>
  );
}

function Sections({ person, erased, back }: Omit<Props, 'user'> & { readonly back: string }) {
  const t = useTranslations('person');
  const people = useTranslations('people');
  const { kept } = person;
  return (
    <>
      <a href={back}>{t('back')}</a>
      <h1>{person.displayName}</h1>
      {person.ended && <p>{t('ended')}</p>}
      <div className={entry.facts}>
        <Fact name={people('signIn')} value={person.signInName} />
        <Fact name={people('role')} value={people(`roles.${person.role}`)} />
        <Fact name={people('classes')} value={person.classes.join(', ') || '–'} />
        {kept && (
          <Fact
            name={people('password')}
            value={people(kept.hasPassword ? 'set' : 'none')}
            {...(kept.mustChange && { note: t('mustChange') })}
          />
        )}
        {kept && <Fact name={people('from')} value={people(kept.ofRoster ? 'ofRoster' : 'ofHere')} />}
      </div>
      {person.needs && <NeedsForm person={person} needs={person.needs} />}
      {kept && <Sessions userId={person.id} sessions={kept.sessions} />}
      {kept && erased && <PersonData person={person} erased={erased} self={kept.self} />}
    </>
  );
}
