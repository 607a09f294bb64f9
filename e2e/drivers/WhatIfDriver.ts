import { expect } from '@playwright/test';
import { Hands } from './Hands';

/** Trying things on a cup. */
export class WhatIfDriver extends Hands {
  async open(tea: string): Promise<void> {
    await this.page.goto('/book');
    await this.page.getByRole('link', { name: new RegExp(tea) }).click();
    await this.page.getByRole('link', { name: /^What if/ }).click();
    await expect(this.page.getByRole('slider', { name: 'Leaf' })).toBeVisible();
  }
  /** Moves a rule by its own steps, to the right or (negative) to the left. */
  async move(rule: 'Leaf' | 'Heat' | 'Time', steps: number): Promise<void> {
    await this.page.getByRole('slider', { name: rule }).focus();
    for (let i = 0; i < Math.abs(steps); i++)
      await this.page.keyboard.press(steps > 0 ? 'ArrowRight' : 'ArrowLeft');
  }
  async typeFigure(label: 'Water' | 'Altitude', text: string): Promise<void> {
    await this.page.getByLabel(label, { exact: true }).fill(text);
    await this.page.keyboard.press('Enter');
  }
  async pick(what: 'Vessel' | 'Infuser' | 'Motion', option: string): Promise<void> {
    await this.page.getByRole('button', { name: `${what}: change` }).click();
    await this.page.getByRole('option', { name: option }).click();
  }
  expectWhatIsShown(words: RegExp) {
    return expect(this.page.getByTestId('whatif-words')).toHaveText(words);
  }
  /** How the cup goes with time. */
  expectChart(): Promise<void> {
    return expect(this.page.locator('.recharts-surface')).toBeVisible();
  }
}
