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
  /** Each cup by its letter into the place of its figure, in the order of their letters. */
  async placeByKeys(): Promise<void> {
    for (const [i, letter] of (await this.unplaced()).entries()) {
      await this.page.keyboard.press(letter);
      await this.page.keyboard.press(String(i + 1));
    }
  }
  /** What a taster says of the cup that is asked about. */
  said(): Promise<string> {
    return this.page.getByRole('group', { name: 'The cup' }).innerText();
  }

  /** Figures to choose from, where there are any. */
  private choices() {
    return this.page.locator('.btn.choice');
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

  /** What is practised now. */
  drill(): Promise<string> {
    return this.page.getByRole('heading', { level: 1 }).innerText();
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
      default:
        return this.answerFigureByKeys();
    }
  }
}
