import type { AccessNeeds } from '@/core/needs';
import type { GivenOptions } from '@/core/item/options';
import type { Role } from '@/core/access/access';

export interface DemoPerson {
  readonly signInName: string;
  readonly displayName: string;
  readonly role: Role;
  readonly password: string;
  readonly needs: Partial<AccessNeeds>;
  /** How this person's tests are given. */
  readonly given?: GivenOptions;
  /** What is given for practice besides, by folder in content/. */
  readonly practices?: readonly string[];
  /** What is special, for the list printed at the start. */
  readonly about: string;
}

const student = (
  signInName: string,
  displayName: string,
  password: string,
  needs: Partial<AccessNeeds>,
  about: string,
): DemoPerson => ({
  signInName,
  displayName,
  role: 'student',
  password,
  needs,
  about,
});

const adult = (
  signInName: string,
  displayName: string,
  role: Role,
  password: string,
  about: string,
): DemoPerson => ({ signInName, displayName, role, password, needs: {}, about });

/** The people of the demo; all invented. */
export const DEMO_PEOPLE: readonly DemoPerson[] = [
  student('wren', 'Wren Halloran', 'kelp-and-tide', {}, 'no special needs'),
  student('tomas', 'Tomas Okafor', 'ferry-at-nine', { timeMultiplier: 1.5 }, 'half as much time again'),
  student(
    'ines',
    'Ines Lindqvist',
    'gray-lantern',
    { scheme: 'dusk', magnification: 1.5 },
    'dark scheme, 150 %',
  ),
  {
    ...student(
      'bao',
      'Bao Reyes',
      'skerry-gull',
      { toolsOn: ['line-reader', 'eliminator'] },
      'line reader and eliminator on; may take each test three times',
    ),
    given: { times: 3 },
  },
  student(
    'saoirse',
    'Saoirse Patel',
    'storm-glass',
    { scheme: 'lantern', magnification: 2, timeMultiplier: 2 },
    'yellow on black, 200 %, double time',
  ),
  student(
    'mikkel',
    'Mikkel Adeyemi',
    'north-channel',
    {
      scheme: 'mist',
      timeMultiplier: 1.25,
      toolsOn: ['eliminator'],
      toolsGiven: ['read-aloud'],
      supports: ['glossary-on-screen', 'keyword-translation', 'spoken'],
      languages: ['es'],
    },
    'blue-gray scheme, a quarter more time, read aloud, glossary with Spanish',
  ),
  {
    ...student(
      'odile',
      'Odile Marchetti',
      'long-slipway',
      {},
      'each section on one page; the workshop for practice too',
    ),
    given: { onePage: true },
    practices: ['skerry-sound-working'],
  },
  {
    ...student('runa', 'Runa Ferreira', 'amber-buoy', {}, 'waits for a go-ahead; the test has the screen'),
    given: { goAhead: true, ownsScreen: true },
  },
  adult('petra', 'Petra Vance', 'teacher', 'harbor-chalk', 'teacher of the class Harbor 6'),
  adult('sten', 'Sten Aldous', 'teacher', 'tide-table', 'teacher of Harbor 7, which has taken the benchmark'),
  adult('ulla', 'Ulla Sandoval', 'proctor', 'quiet-jetty', 'proctor: supervises'),
  adult('noor', 'Noor Castellan', 'scorer', 'plumb-line', 'scorer: marks what a machine cannot'),
  adult(
    'edda',
    'Edda Brightwater',
    'administrator',
    'signal-mast',
    'administrator: people, and all of the above',
  ),
];

/** The class that Petra teaches and the students are in. */
export const DEMO_CLASS = 'Harbor 6';

/** What of the demo is offered for practice, by folder in content/. */
export const DEMO_PRACTICE: Readonly<Record<string, { readonly grade: string; readonly subject: string }>> = {
  'every-kind-of-question': { grade: '3–8', subject: 'Getting to know the questions' },
  'skerry-sound-working': { grade: '6', subject: 'Mathematics' },
  'skerry-sound-crossing': { grade: '6', subject: 'Science' },
};

/** What of the demo is not given to Harbor 6, by folder in content/. */
export const DEMO_NOT_GIVEN: ReadonlySet<string> = new Set([
  'skerry-sound-instruments',
  'skerry-sound-grade-7',
]);

/** The tests that the other class has taken. */
export const DEMO_TAKEN: readonly string[] = ['skerry-sound-grade-6', 'skerry-sound-grade-7'];
