/** @jest-environment ./test/web/environment.mjs */
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { AttachedPage } from '../../src/web/features/house/attached/AttachedPage';
import { Cautions } from '../../src/web/features/house/Cautions';
import { LimitsPage } from '../../src/web/features/house/LimitsPage';
import { closeAll, open, requests, serve, sessionOf, SITE_ID } from './page';

// What is attached to a house, and what a lead types of the law of the place.

afterEach(closeAll);

const printer = (over: object = {}) => ({
  ...{ id: '0197c000-0000-7000-8000-0000000000a1', siteId: SITE_ID, name: 'Counter printer' },
  ...{ language: 'zpl', host: '192.168.1.40', port: 9100, dots: 8, ...over },
});
const printers = (list: object[]) => ({ '/api/printers': { body: { printers: list } } });

describe('what is attached', () => {
  test('nothing yet: labels print as PDF, and each thing has one to practise with', async () => {
    serve(printers([]));
    await open(<AttachedPage />);
    await screen.findByText(/No label printer yet\. Labels print as PDF/);
    for (const name of ['Scale', 'Fridge probe', 'Colour reader', 'Till'])
      expect(screen.getByText(name)).toBeTruthy();
    expect(screen.getAllByText(/^npm run (printer|probe|till)$/)).toHaveLength(3);
  });
  test('for leads: others are told who does it, and nothing is asked', async () => {
    serve({});
    await open(<AttachedPage />, { role: 'brewer' });
    expect(screen.getByText('A lead attaches printers.')).toBeTruthy();
    expect(requests()).toEqual([]);
  });
  test('a printer of another site can be taken out, not tried from here', async () => {
    const away = '0197c000-0000-7000-8000-0000000000b1';
    serve(printers([printer(), printer({ id: away, siteId: away, name: 'Kiosk printer' })]));
    await open(<AttachedPage />);
    await screen.findAllByText('Kiosk printer');
    const named = (name: RegExp) => screen.queryAllByRole('button', { name });
    expect(named(/^Print a test label on Counter printer/)).toHaveLength(1);
    expect(named(/^Print a test label on Kiosk printer/)).toHaveLength(0);
    expect(named(/^Take out Kiosk printer/)).toHaveLength(1);
  });
  test('one that cannot be reached is said so, with what to look at', async () => {
    const message = 'Counter printer cannot be reached. Check that the printer is on.';
    serve({
      ...printers([printer()]),
      [`/api/printers/${printer().id}/print`]: {
        status: 502,
        body: { code: 'printer.away', message },
      },
    });
    await open(<AttachedPage />);
    fireEvent.click(await screen.findByRole('button', { name: /^Print a test label/ }));
    expect((await screen.findByRole('alert')).textContent).toBe(message);
  });
  test('taking out asks once more', async () => {
    serve({
      ...printers([printer()]),
      [`/api/printers/${printer().id}`]: { body: { removed: true } },
    });
    await open(<AttachedPage />);
    fireEvent.click(await screen.findByRole('button', { name: /^Take out/ }));
    const sure = await screen.findByRole('button', { name: /^Take out now/ });
    expect(requests().filter((r) => r.includes(printer().id))).toEqual([]);
    fireEvent.click(sure);
    await waitFor(() => expect(requests().some((r) => r.includes(printer().id))).toBe(true));
  });
});

describe('the law of the place', () => {
  const safety = {
    ...{ codeName: 'Food rules of Harbour district', codeLink: 'https://rules.example/food' },
    ...{ hotHold: 63, cardWords: 'Ask us about allergens.' },
  };
  const typed = { site: { ...sessionOf('lead').site, safety } } as object;
  test('what was typed stands in its fields', async () => {
    serve({});
    await open(<LimitsPage />, { session: typed });
    const value = (label: string) => (screen.getByLabelText(label) as HTMLInputElement).value;
    expect(value('Local food code')).toBe(safety.codeName);
    expect(value('Link to the code')).toBe(safety.codeLink);
    expect(value('Tea kept hot: at least, °C')).toBe('63');
    expect(value('Words on every card')).toBe(safety.cardWords);
  });
  test('a link that is none and a heat that cannot be are said beside their fields, and nothing is sent', async () => {
    serve({});
    await open(<LimitsPage />, { session: typed });
    const type = (label: string, value: string) =>
      fireEvent.change(screen.getByLabelText(label), { target: { value } });
    type('Link to the code', 'javascript:alert(1)');
    type('Tea kept hot: at least, °C', '630');
    fireEvent.click(screen.getByRole('button', { name: 'Save the limits' }));
    await screen.findByText('A link begins with https:// or http://.');
    expect(screen.getAllByRole('alert')).toHaveLength(2);
    expect(requests()).toEqual([]);
  });
  test('the cautions name the code with its link, and how hot is hot; of a site without one they say the usual', async () => {
    serve({});
    await open(<Cautions />, { session: typed });
    const link = screen.getByRole('link', { name: safety.codeName }) as HTMLAnchorElement;
    expect(link.href).toBe(safety.codeLink);
    expect(screen.getByText(/Tea that is kept hot stays at 63\s°C or hotter/)).toBeTruthy();
    closeAll();
    await open(<Cautions />);
    expect(screen.queryByRole('link')).toBeNull();
    expect(screen.getByText(/Boiling water and steam scald/)).toBeTruthy();
  });
});
