import { expect } from '@playwright/test';
import { Hands } from './Hands';

/** What a learner does in School. */
export class SchoolDriver extends Hands {
  async beginDiagnosing(): Promise<void> {
    await this.page.goto('/school');
    await this.page
      .getByRole('link', { name: /^Start/ })
      .first()
      .click();
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
  /** What a taster says of the cup that is asked about. */
  said(): Promise<string> {
    return this.page.getByRole('group', { name: 'The cup' }).innerText();
  }
}
