import type { AccessNeeds } from '@/core/needs';
import type { Role } from '@/server/accounts/users';

export interface DemoPerson {
  readonly signInName: string;
  readonly displayName: string;
  readonly role: Role;
  readonly password: string;
  readonly needs: Partial<AccessNeeds>;
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
  student(
    'bao',
    'Bao Reyes',
    'skerry-gull',
    { toolsOn: ['line-reader', 'eliminator'] },
    'line reader and eliminator on',
  ),
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
    signInName: 'petra',
    displayName: 'Petra Vance',
    role: 'teacher',
    password: 'harbor-chalk',
    needs: {},
    about: 'teacher',
  },
];
