import '@/ui/content/vocabulary.css';
import '@/ui/kit/global.css';
import type { Metadata, Viewport } from 'next';
import type { CSSProperties, ReactNode } from 'react';
import { NO_NEEDS } from '@/core/needs';
import { shownColours } from '@/core/view/shown';
import { cssVariables, FORCED, paletteVariables, PICTURES, SCHEMES } from '@/core/view/schemes';
import { textVariables } from '@/core/view/text';
import { GuestProvider } from '@/ui/kit/guest';
import { Speaking } from '@/ui/kit/Words';
import { currentUser } from './http';
import { currentLanguage, currentWords } from './language';

export async function generateMetadata(): Promise<Metadata> {
  const { app } = await currentWords();
  return { title: { default: app.name, template: `%s · ${app.name}` }, description: app.description };
}
export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

const declared = (properties: Readonly<Record<string, string>>): string =>
  Object.entries(properties)
    .map(([name, value]) => `${name}:${value};`)
    .join('');

/** Every scheme as custom properties; the page names one in `data-scheme`. */
const SCHEME_CSS = [
  ...Object.values(SCHEMES).map(
    ({ id, palette, dark }) =>
      `${id === 'paper' ? ':root,' : ''}[data-scheme=${id}]{${cssVariables(palette)};${declared(PICTURES[dark ? 'dark' : 'light'])}}`,
  ),
  // Whoever asks their device for more contrast gets it in edges, lines and second voices too.
  `@media (prefers-contrast:more){html[data-scheme]{--edge:var(--ink);--line:var(--ink);--soft:var(--ink)}}`,
  `html[data-inverted]{${declared(PICTURES.inverted)}}`,
  `@media (forced-colors:active){html[data-scheme],html [data-scheme]{${cssVariables(FORCED)};${declared(PICTURES.forced)}}}`,
].join('');

/** Every page comes in its reader's colours and size from the first paint on; a flash of others could not be read by some. */
export default async function RootLayout({ children }: { children: ReactNode }) {
  const user = await currentUser();
  const needs = user?.needs ?? NO_NEEDS;
  const language = await currentLanguage();
  const { scheme, dark, palette } = shownColours(needs);
  const look = {
    '--magnification': needs.magnification,
    ...textVariables(needs.text),
    ...(needs.own && paletteVariables(palette)),
    colorScheme: dark ? 'dark' : 'light',
  } as CSSProperties;
  return (
    <html lang={language} data-scheme={scheme} data-inverted={needs.inverted ? '' : undefined} style={look}>
      <head>
        <style dangerouslySetInnerHTML={{ __html: SCHEME_CSS }} />
      </head>
      <body>
        <Speaking language={language}>
          <GuestProvider
            guest={user?.guest ?? false}
            ownPassword={user !== null && !user.guest && user.room === null}
          >
            {children}
          </GuestProvider>
        </Speaking>
      </body>
    </html>
  );
}
