import '@/ui/content/vocabulary.css';
import '@/ui/kit/global.css';
import { AntdRegistry } from '@ant-design/nextjs-registry';
import type { Metadata, Viewport } from 'next';
import type { ReactNode } from 'react';
import { cssVariables, SCHEMES } from '@/core/view/schemes';

export const metadata: Metadata = {
  title: 'Able Compass',
  description: 'Take a test, with everything you need to show what you know.',
};
export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

/** Every scheme as custom properties; the page names one in `data-scheme`. */
const SCHEME_CSS = Object.values(SCHEMES)
  .map(({ id, palette }) => `${id === 'paper' ? ':root,' : ''}[data-scheme=${id}]{${cssVariables(palette)}}`)
  .join('');

export default function RootLayout({ children }: { children: ReactNode }) {
  return (
    <html lang="en" data-scheme="paper">
      <head>
        <style dangerouslySetInnerHTML={{ __html: SCHEME_CSS }} />
      </head>
      <body>
        <AntdRegistry>{children}</AntdRegistry>
      </body>
    </html>
  );
}
