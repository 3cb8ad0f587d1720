import english from '@messages/en.json';
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { IntlProvider } from 'use-intl';
import type { Content } from '@/core/content/content';
import { itemFrom } from '@/core/qti/testItem';
import { Speaking } from '../kit/Words';
import { ContentView, SentenceWith, WrittenIn, type ContentSlots } from './ContentView';

const read = (inside: string): Content => itemFrom(`<qti-item-body>${inside}</qti-item-body>`).item.body;
const show = (content: Content, slots: Partial<ContentSlots> = {}) =>
  render(
    <IntlProvider locale="en" messages={english}>
      <div data-announcer="" />
      <p>Beside</p>
      <main>
        <ContentView content={content} slots={{ assetUrl: (path) => `/assets/${path}`, ...slots }} />
      </main>
    </IntlProvider>,
  );

test('a table keeps its spans and loses the blanks between its rows', () => {
  const complain = jest.spyOn(console, 'error').mockImplementation(() => undefined);
  show(
    read(
      '<table>\n <tbody>\n <tr> <th scope="row">Ebb</th> <td colspan="2" class="qti-align-right">06:12</td> </tr>\n</tbody> </table>',
    ),
  );
  expect(screen.getByRole('cell', { name: '06:12' }).getAttribute('colspan')).toBe('2');
  expect(screen.getByRole('cell', { name: '06:12' }).className).toBe('qti-align-right');
  expect(complain).not.toHaveBeenCalled();
  complain.mockRestore();
});

test('files are shown from where the attempt has them; sizes grow with the letters', () => {
  show(read('<p><img src="map.svg" alt="map" width="320" height="200"/></p>'));
  const picture = screen.getByRole('img', { name: 'map' });
  expect(picture.getAttribute('src')).toBe('/assets/map.svg');
  expect(picture.style.width).toBe('20rem');
  expect(picture.hasAttribute('width')).toBe(false);
});

test('an SVG keeps its own attribute names', () => {
  const { container } = show(
    read(
      '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><path d="M0 0h9" stroke-width="2" text-anchor="middle"/></svg>',
    ),
  );
  expect(container.querySelector('svg')?.getAttribute('viewBox')).toBe('0 0 9 9');
  expect(container.querySelector('path')?.getAttribute('stroke-width')).toBe('2');
});

test.each([
  ['viewBox="0 0 560 250"', '35rem', '0 0 560 250'],
  ['viewBox="0 0 560 250" width="320"', '20rem', '0 0 560 250'],
  ['width="320" height="160"', '20rem', '0 0 320 160'],
  ['', '100%', null],
])('a drawing with %s is as wide as %s and never collapses', (attributes, basis, viewBox) => {
  const { container } = show(
    read(`<figure><svg xmlns="http://www.w3.org/2000/svg" ${attributes}><path d="M0 0h9"/></svg></figure>`),
    {
      enlarge: true,
    },
  );
  const drawing = container.querySelector('figure > span > span:last-child > svg');
  expect(drawing?.getAttribute('viewBox')).toBe(viewBox);
  expect((drawing as SVGElement).style.width).toBe('100%');
  expect(drawing?.hasAttribute('width')).toBe(false);
  expect((drawing?.parentElement as HTMLElement).style.flexBasis).toBe(basis);
});

test('what was not resolved on the server shows nothing', () => {
  const { container } = show(
    read(
      '<p>Seen<qti-feedback-inline outcome-identifier="F" identifier="x"> secret</qti-feedback-inline><qti-template-inline template-identifier="T" identifier="y"> other</qti-template-inline></p>',
    ),
  );
  expect(container.querySelector('main')?.textContent).toBe('Seen');
});

test('a picture at the side takes its button with it', () => {
  show(read('<p><img class="qti-float-right plan" src="map.svg" alt="map"/>Beside it.</p>'), {
    enlarge: true,
  });
  const picture = screen.getByAltText('map');
  expect(picture.className).toBe('plan able-picture');
  const frame = picture.closest('[data-frame]');
  expect(frame?.classList.contains('qti-float-right')).toBe(true);
  expect(frame?.querySelector('[data-enlarge]')).toBeTruthy();
});
test('a picture is enlarged and brought back by keys; meanwhile nothing else can be reached', async () => {
  const user = userEvent.setup();
  show(read('<p>Before</p><p><img src="map.svg" alt="map"/></p>'), { enlarge: true });
  const open = screen.getByRole('button', { name: 'Enlarge: picture' });
  open.focus();
  await user.keyboard('{Enter}');
  expect(screen.getByRole('dialog').contains(screen.getByRole('img', { name: 'map' }))).toBe(true);
  expect(screen.getByText('Before').hasAttribute('inert')).toBe(true);
  expect(screen.getByText('Beside').hasAttribute('inert')).toBe(true);
  expect(document.querySelector('[data-announcer]')?.hasAttribute('inert')).toBe(false);
  await user.keyboard('{Escape}');
  expect(screen.queryByRole('dialog')).toBeNull();
  expect(screen.getByText('Before').hasAttribute('inert')).toBe(false);
  expect(document.activeElement?.getAttribute('aria-label')).toBe('Enlarge: picture');
});

test('pictures inside what is pressed bear no button', () => {
  show(read('<p><img src="map.svg" alt="map"/></p>'));
  expect(screen.queryByRole('button')).toBeNull();
});

describe('content in another language than the page', () => {
  const { body } = itemFrom(
    `<qti-response-declaration identifier="R" cardinality="single" base-type="string"/><qti-item-body>Words of <p xml:lang="fr">la mer</p><p>the sea <qti-text-entry-interaction response-identifier="R"/></p></qti-item-body>`,
  ).item;
  const inEnglish = (language: string | null, page: 'en' | 'es') =>
    render(
      <Speaking language={page}>
        <WrittenIn language={language}>
          <ContentView
            content={body}
            slots={{ assetUrl: (path) => path, interaction: () => <button type="button">Vaciar</button> }}
          />
        </WrittenIn>
      </Speaking>,
    );
  const spoken = (words: string | RegExp) => screen.getByText(words).closest('[lang]')?.getAttribute('lang');

  test('says its own, words without an element too; what says another keeps it; controls inside speak the page’s', () => {
    inEnglish('en-US', 'es');
    expect(spoken('Words of')).toBe('en-US');
    expect(spoken(/the sea/)).toBe('en-US');
    expect(spoken('la mer')).toBe('fr');
    expect(spoken('Vaciar')).toBe('es');
  });

  test('a title inside a sentence of the page says its own; one in the page’s language needs not', () => {
    const say = (title: string) => `Terminar “${title}” …`;
    const sentence = (language: string | null) => (
      <Speaking language="es">
        <SentenceWith title="Night ferry" language={language} say={say} />
      </Speaking>
    );
    const { container, rerender } = render(sentence('en'));
    expect(container.textContent).toBe('Terminar “Night ferry” …');
    expect(spoken('Night ferry')).toBe('en');
    rerender(sentence('es'));
    expect(container.textContent).toBe('Terminar “Night ferry” …');
    expect(container.querySelector('[lang]')).toBeNull();
  });

  test('says nothing where it is the page’s, or is not known', () => {
    for (const [language, page] of [
      ['en-GB', 'en'],
      [null, 'es'],
    ] as const) {
      const { container, unmount } = inEnglish(language, page);
      expect([...container.querySelectorAll('[lang]')].map((one) => one.getAttribute('lang'))).toEqual([
        'fr',
      ]);
      unmount();
    }
  });
});
