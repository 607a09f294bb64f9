import { expect, type Request } from '@playwright/test';
import { Hands } from './Hands';

/** Who is here, and where on the page: sign-in and the places. */
export class HouseDriver extends Hands {
  /** Signed in without the hands: the way with them is `signInByHand`, and has tests of its own. */
  async signIn(who: { name: string; secret: string }): Promise<void> {
    const { request } = this.page;
    const { sites } = (await (await request.get('/api/house')).json()) as {
      sites: { id: string }[];
    };
    for (const { id } of sites) {
      const { people } = (await (await request.get(`/api/sites/${id}/names`)).json()) as {
        people: { id: string; name: string }[];
      };
      const person = people.find((p) => p.name === who.name);
      if (!person) continue;
      const signed = await request.post('/api/session', {
        data: { personId: person.id, siteId: id, secret: who.secret },
        headers: { origin: new URL((await request.get('/api/time')).url()).origin },
      });
      expect(signed.status(), await signed.text()).toBe(200);
      await this.page.goto('/');
      return this.expectIn();
    }
    throw new Error(`nobody here is called ${who.name}`);
  }
  async signInByHand(who: { name: string; secret: string }): Promise<void> {
    await this.page.goto('/');
    await this.pick(who.name);
    await this.enterSecret(who.secret);
    await this.expectIn();
  }
  private expectIn() {
    return expect(this.page.getByRole('navigation', { name: 'Places' })).toBeVisible();
  }
  /** The names of what this device keeps by itself. */
  keptHere(store: 'waiting' | 'read'): Promise<string[]> {
    return this.page.evaluate(
      (name) =>
        new Promise<string[]>((resolve, reject) => {
          const opening = indexedDB.open('limnos');
          opening.onerror = () => reject(new Error('nothing is kept here'));
          opening.onsuccess = () => {
            const keys = opening.result.transaction(name).objectStore(name).getAllKeys();
            keys.onsuccess = () => {
              opening.result.close();
              resolve(keys.result.map(String));
            };
          };
        }),
      store,
    );
  }
  async pick(name: string): Promise<void> {
    await this.page
      .getByRole('button', { name: new RegExp(`^${name.replace('.', '\\.')}`) })
      .first()
      .click();
  }
  /** A PIN goes on the keypad, a passphrase in its field. */
  async enterSecret(secret: string): Promise<void> {
    if (/^\d+$/.test(secret))
      for (const d of secret) await this.page.getByRole('button', { name: d, exact: true }).click();
    else await this.page.getByLabel('Passphrase').fill(secret);
    await this.page.getByRole('button', { name: 'Sign in' }).click();
  }
  /** From a page of another site: out, and in again at this one. */
  async changeTo(site: RegExp, who: { name: string; secret: string }): Promise<void> {
    await this.signOut();
    await this.press(site);
    await this.pick(who.name);
    await this.enterSecret(who.secret);
    await this.goTo('Bar');
  }
  async signOut(): Promise<void> {
    await this.page.getByRole('button', { name: /Not you/ }).click();
    await this.page.getByRole('button', { name: 'Sign out' }).click();
    await expect(this.page.getByRole('heading', { name: 'Who is brewing?' })).toBeVisible();
  }
  async goTo(place: 'Bar' | 'Book' | 'Shelf' | 'Cold' | 'Log' | 'House'): Promise<void> {
    const link = this.page
      .getByRole('navigation', { name: 'Places' })
      .getByRole('link', { name: new RegExp(`${place}$`) });
    await link.click();
    // Until the place has been fetched, the one before stands with its own links.
    await expect(link).toHaveAttribute('aria-current', 'page');
  }
  /** The event stream does not get through to this page, as behind a proxy that holds it back. */
  losesStream(): Promise<unknown> {
    return this.cutOff('**/api/live*');
  }
  /** From now on nothing of `path` gets through to this page. */
  cutOff(path: string): Promise<unknown> {
    return this.page.route(path, (route) => route.abort());
  }
  /** How often this page asks the server for `path` while so long goes by, ms. */
  async readingsWithin(path: string, ms: number): Promise<number> {
    let readings = 0;
    const count = (request: Request) => {
      if (new URL(request.url()).pathname === path) readings += 1;
    };
    this.page.on('request', count);
    await this.page.waitForTimeout(ms);
    this.page.off('request', count);
    return readings;
  }
  /** From now on the server's answer to `path` waits. @returns what lets it through and waits until it is here */
  async holdAnswer(path: string): Promise<() => Promise<void>> {
    let letGo: () => void = () => undefined;
    const held = new Promise<void>((resolve) => {
      letGo = resolve;
    });
    await this.page.route(path, async (route) => {
      await held;
      await route.continue();
    });
    const answered = this.page.waitForResponse(path);
    return async () => {
      letGo();
      await (await answered).finished();
    };
  }
  /** A finger lies on a button while something happens; then it is lifted. */
  async pressWhile(name: string, happens: () => Promise<void>): Promise<void> {
    const button = this.page.getByRole('button', { name });
    await button.scrollIntoViewIfNeeded();
    const box = await button.boundingBox();
    if (!box) throw new Error('the button is not drawn');
    await this.page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await this.page.mouse.down();
    await happens();
    await this.page.mouse.up();
  }
  expectAllSaved() {
    return expect(this.page.getByText('All saved')).toBeVisible();
  }
  expectUnsaved(n: number) {
    return expect(this.page.getByText(`${n} not saved yet`)).toBeVisible();
  }
}
