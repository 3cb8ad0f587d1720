'use client';

import { CircleHelp, LogOut, Menu } from 'lucide-react';
import { memo, useState } from 'react';
import { useTranslations } from 'use-intl';
import { partOf, partsOf, type DeliveredPart, type DeliveredTest } from '@/core/item/delivered';
import { useIsGuest, useShownName } from '../../kit/guest';
import { Mark } from '../../kit/Mark';
import { HelpDialog } from '../dialogs/HelpDialog';
import { StopDialog } from '../dialogs/StopDialog';
import { ContentTitle, SentenceWith } from '../../content/ContentView';
import { useAttempt, usePlayer } from '../../attempt/PlayerContext';
import styles from './header.module.css';
import { BatterySign } from './BatterySign';
import { SaveSign } from './SaveSign';
import { PartName } from '../stages/usePartName';
import { TimeLeft } from './TimeLeft';
import { Button } from '../../kit/Button';

/** The title of the section a question is in. */
const sectionOf = (test: DeliveredTest, ref: string | null): string | undefined =>
  test.parts.flatMap((part) => part.sections).find((one) => ref !== null && one.items.includes(ref))?.title;
/** A question's part, where there is more than one. */
const shownPartOf = (test: DeliveredTest, ref: string | null): DeliveredPart | undefined =>
  ref !== null && partsOf(test).length > 1 ? partOf(test, ref) : undefined;

/**
 * Which test and section, whether the answers are safe, the time, stopping for now, help. On a narrow screen only what is looked at
 * all the time stands in the line; the rest is a press away under it.
 */
export const Header = memo(function Header() {
  const t = useTranslations('header');
  const { session, test, studentName, layout, tight, rehearsal } = usePlayer();
  const shownName = useShownName(studentName);
  // Who has no account reads in place of a name that it is practice.
  const guest = useIsGuest();
  const name = session.student.tries
    ? t('triedBy', { name: shownName })
    : test.given.practice && !guest
      ? t('practicedBy', { name: shownName })
      : shownName;
  const current = useAttempt((state) => state.current);
  const part = shownPartOf(test, current);
  const section = sectionOf(test, current) ?? '';
  const [dialog, setDialog] = useState<'stop' | 'help' | null>(null);
  const [open, setOpen] = useState(false);
  const narrow = layout === 'narrow';
  const title = (
    <div className={styles.title}>
      <h1>
        <ContentTitle language={test.language}>{test.title}</ContentTitle>
      </h1>
      <p>
        {part && (
          <>
            <PartName part={part} />
            {' · '}
          </>
        )}
        {section === '' ? (
          name
        ) : (
          <SentenceWith
            title={section}
            language={test.language}
            say={(title) => t('about', { section: title, name })}
          />
        )}
      </p>
    </div>
  );
  const ways = (
    <>
      <Button small onClick={() => (rehearsal ? rehearsal.leave() : setDialog('stop'))}>
        <LogOut size="1.1em" aria-hidden="true" />
        {t(rehearsal ? 'leave' : 'stop')}
      </Button>
      <Button small onClick={() => setDialog('help')}>
        <CircleHelp size="1.1em" aria-hidden="true" />
        {t('help')}
      </Button>
    </>
  );
  return (
    <header
      className={styles.header}
      data-narrow={narrow || undefined}
      data-tight={(narrow && tight) || undefined}
    >
      <div className={styles.row}>
        {!narrow && (
          <>
            <Mark className={styles.mark} />
            {title}
          </>
        )}
        {rehearsal ? <p className={styles.save}>{t('notKept')}</p> : <SaveSign />}
        <BatterySign />
        <TimeLeft />
        {narrow ? (
          <Button
            small
            aria-label={t('menu')}
            title={t('menu')}
            aria-expanded={open}
            onClick={() => setOpen(!open)}
          >
            <Menu size="1.25em" aria-hidden="true" />
          </Button>
        ) : (
          ways
        )}
      </div>
      {narrow && open && (
        <div className={styles.menu}>
          {title}
          {ways}
        </div>
      )}
      <StopDialog open={dialog === 'stop'} onClose={() => setDialog(null)} />
      <HelpDialog open={dialog === 'help'} onClose={() => setDialog(null)} />
    </header>
  );
});
