import { expect } from '@playwright/test';
import { Hands } from './Hands';

/** What a learner does in School. */
export class SchoolDriver extends Hands {
  async beginDiagnosing(): Promise<void> {
    await this.page.goto('/school');
    await this.follow(/^Diagnose the cup/);
    await this.expectCup();
  }
  /** A cup is asked about. */
  async expectCup(): Promise<void> {
    await expect(this.page.getByRole('img', { name: 'This cup' })).toBeVisible();
    await expect(this.page.getByRole('button', { name: /^Submit/ })).toBeVisible();
  }
  /** Answers by keys, the first fault and a little of one lever: right or not. */
  async answerByKeys(): Promise<void> {
    const { keyboard } = this.page;
    await keyboard.press('1');
    await this.press('leaf', { exact: true });
    await this.page.getByRole('slider', { name: 'How much' }).focus();
    await keyboard.press('ArrowRight');
    await keyboard.press('Enter');
    await this.expectAnswered();
  }
  /** Answers by touch. */
  async answerByTouch(): Promise<void> {
    await this.page.getByRole('group', { name: 'Fault' }).getByRole('button').first().click();
    await this.press('time', { exact: true });
    await this.press('More how much');
    await this.press(/^Submit/);
    await this.expectAnswered();
  }
  async expectAnswered(): Promise<void> {
    await expect(this.page.getByText(/^This answer counts \d+ of 100\.$/)).toBeVisible();
  }
  async nextCup(): Promise<void> {
    await this.press(/^Next cup/);
    await this.expectCup();
  }
  async beginOrdering(): Promise<void> {
    await this.page.goto('/school/order');
    await expect(this.page.getByRole('button', { name: 'Place 1, empty' })).toBeVisible();
  }
  /** Cups that are in no place, by their letters. */
  async unplaced(): Promise<string[]> {
    const names = await this.page.getByRole('button', { name: /^Cup [A-H]$/ }).all();
    return Promise.all(
      names.map(async (n) => (await n.getAttribute('aria-label'))?.slice(-1).toLowerCase() ?? ''),
    );
  }
  /** Each cup by its letter into the place of its figure, in the order of their letters; seen in the hand, then there. */
  async placeByKeys(): Promise<void> {
    for (const [i, letter] of (await this.unplaced()).entries()) {
      const cup = letter.toUpperCase();
      await this.page.keyboard.press(letter);
      await this.expectSaid(new RegExp(`^Cup ${cup} is in your hand`));
      await this.page.keyboard.press(String(i + 1));
      await this.expectThere('button', `Place ${i + 1}, cup ${cup}`);
    }
  }
  /** From one place or the tray to another, by hand. */
  async dragCup(from: string, to: string): Promise<void> {
    const middle = async (name: string) => {
      const box = await this.page.getByRole('button', { name }).boundingBox();
      if (!box) throw new Error(`${name} is not there`);
      return { x: box.x + box.width / 2, y: box.y + 30 };
    };
    const { mouse } = this.page;
    const [start, end] = [await middle(from), await middle(to)];
    await mouse.move(start.x, start.y);
    await mouse.down();
    await mouse.move(end.x, end.y, { steps: 8 });
    await mouse.up();
  }
  /** Another way to see the cups of a colour drill. */
  async showCupsAs(way: string): Promise<void> {
    await this.page.getByRole('radio', { name: way }).click();
  }
  /** Each cup into its place by the strength that its name says, as somebody hears it. */
  async placeByWords(): Promise<void> {
    const cups = this.page.getByRole('button', { name: /^Cup [A-H], .*strength [\d.]+$/ });
    const names = await cups.evaluateAll((all) =>
      all.map((b) => b.getAttribute('aria-label') ?? ''),
    );
    const strengthOf = (name: string) => Number(/([\d.]+)$/.exec(name)?.[1]);
    const inOrder = names.sort((a, b) => strengthOf(a) - strengthOf(b));
    for (const [i, name] of inOrder.entries()) {
      await this.page.keyboard.press(name.charAt('Cup '.length).toLowerCase());
      await this.page.keyboard.press(String(i + 1));
    }
  }
  /** One’s own cup, step by step, until both figures say the same. */
  async matchByFigures(): Promise<void> {
    const figures = this.page.locator('.light-figure');
    const slider = this.page.getByRole('slider');
    await slider.focus();
    const off = async () => {
      const [other, own] = (await figures.allTextContents()).map(Number);
      return (own ?? NaN) - (other ?? NaN);
    };
    const isLighter = (await off()) > 0;
    // Lightness falls with strength: as long as it lies on the same side, one step more.
    for (let step = 0; step < 110 && (await off()) > 0 === isLighter; step++)
      await this.page.keyboard.press(isLighter ? 'ArrowRight' : 'ArrowLeft');
  }
  /** What a taster says of the cup that is asked about. */
  said(): Promise<string> {
    return this.page.getByRole('group', { name: 'The cup' }).innerText();
  }

  /** Figures to choose from, where there are any. */
  private choices() {
    return this.page.locator('.btn.choice').filter({ hasNotText: /^Not possible|^Not again/ });
  }
  /** The second choice by its number, or a few steps along the rule: right or not. */
  async answerFigureByKeys(): Promise<void> {
    const { keyboard } = this.page;
    if ((await this.choices().count()) > 0) await keyboard.press('2');
    else {
      await this.page.getByRole('slider').focus();
      await keyboard.press('Shift+ArrowRight');
    }
    await keyboard.press('Enter');
  }
  /** The first choice by touch, or a typed figure. */
  async answerFigureByTouch(typed: string): Promise<void> {
    if ((await this.choices().count()) > 0) await this.choices().first().click();
    else await this.page.getByLabel(/^Or type it/).fill(typed);
    await this.press(/^Submit/);
  }

  /** A drill is opened and asks its first question. */
  async open(drill: string): Promise<void> {
    await this.page.goto(`/school/${drill}`);
    await expect(this.page.getByRole('button', { name: /^Submit/ })).toBeVisible();
  }
  /** Pulls the water of the drawn vessel to a share of its height. */
  async pullWater(share: number): Promise<void> {
    const inside = this.page.locator('svg.vessel rect[role="presentation"]');
    const box = await inside.boundingBox();
    if (!box) throw new Error('no vessel is drawn');
    const { mouse } = this.page;
    const x = box.x + box.width / 2;
    await mouse.move(x, box.y + box.height * 0.9);
    await mouse.down();
    await mouse.move(x, box.y + box.height * (1 - share), { steps: 5 });
    await mouse.up();
  }
  /** The first of what is offered, part by part, by figure keys: right or not. */
  async pickByKeys(): Promise<void> {
    const submit = this.page.getByRole('button', { name: /^Submit/ });
    const parts = await this.page.locator('.work fieldset').count();
    for (let i = 0; i < parts && (await submit.isDisabled()); i++)
      await this.page.keyboard.press('1');
    await expect(submit).toBeEnabled();
    await this.page.keyboard.press('Enter');
  }
  /** There and back, half a cup at a time. */
  async pourByKeys(): Promise<void> {
    const cups = await this.page.getByRole('img', { name: /^Cup \d/ }).count();
    const there = Array.from({ length: cups }, (_, i) => String(i + 1));
    for (const key of [...there, ...[...there].reverse()]) await this.page.keyboard.press(key);
    await this.page.keyboard.press('Enter');
  }

  /** What is practised now. */
  drill(): Promise<string> {
    return this.page.getByRole('heading', { level: 1 }).innerText();
  }
  /** Of so many patches of the screen's check those, by their place, in which an eye that sees everything sees a square. */
  async patchesWithSquare(count: number): Promise<number[]> {
    const patches = this.page.getByRole('group', { name: 'Patches' }).getByRole('button');
    await expect(patches).toHaveCount(count);
    return patches.evaluateAll((all) =>
      all.flatMap((b, i) =>
        getComputedStyle(b).backgroundColor !==
        getComputedStyle(b.querySelector('i') as Element).backgroundColor
          ? [i]
          : [],
      ),
    );
  }
  async openShift(): Promise<void> {
    await this.page.goto('/school/shift');
    await expect(this.page.getByRole('button', { name: /^Begin,/ })).toBeVisible();
  }
  /** A whole shift, step by step: at each moment every hand that is due, by keys. */
  async runShift(): Promise<void> {
    await this.page.keyboard.press('s');
    await this.page.getByRole('button', { name: /^Next moment/ }).waitFor();
    const end = this.page.getByRole('heading', { name: 'The orders, worst cup first' });
    for (let moment = 0; moment < 200; moment++) {
      if (await end.isVisible()) return;
      const due = await this.page.evaluate(() =>
        [...document.querySelectorAll('[data-vessel]')].flatMap((vessel, i) => {
          const isDue = /window|past|late|pulled/.test(vessel.className);
          return isDue || /Ordered|Lid on/.test(vessel.textContent ?? '') ? [i + 1] : [];
        }),
      );
      for (const vessel of due) {
        await this.page.keyboard.press(String(vessel));
        await this.page.keyboard.press(' ');
      }
      await this.page.keyboard.press('Enter');
    }
    throw new Error('the shift did not end');
  }
  /** One answer by keys, right or not, whatever is asked. */
  async answerAnything(): Promise<void> {
    switch (await this.drill()) {
      case 'Diagnose the cup':
        return this.answerByKeys();
      case 'Order by strength':
        await this.placeByKeys();
        await this.page.keyboard.press('Enter');
        return;
      case 'Pour in turns':
        return this.pourByKeys();
      case 'From words to the cause':
      case 'Hotter or longer':
      case 'Serve or throw out':
      case 'Alike but for one':
        return this.pickByKeys();
      default:
        return this.answerFigureByKeys();
    }
  }
}
