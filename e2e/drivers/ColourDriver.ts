import { expect, type Locator } from '@playwright/test';
import { Hands } from './Hands';

/** Reading the colour of a cup: a picture, its two circles, what is read. */
export class ColourDriver extends Hands {
  private get answer(): Locator {
    return this.page.getByRole('region', { name: 'Reading' }).locator('.answer');
  }
  private get combobox(): Locator {
    return this.page.getByRole('combobox');
  }
  picture(file: Parameters<Locator['setInputFiles']>[0]): Promise<void> {
    return this.give('Picture', file);
  }
  expectRead(): Promise<void> {
    return expect(this.answer).toBeVisible();
  }
  expectReading(words: RegExp): Promise<void> {
    return expect(this.answer).toContainText(words);
  }
  expectReadingIs(text: string): Promise<void> {
    return expect(this.answer).toHaveText(text);
  }
  expectPicture(): Promise<void> {
    return expect(this.page.locator('.photo')).toBeVisible();
  }
  /** The tea by some letters of its name. */
  async chooseTea(letters: string): Promise<void> {
    await this.press('Tea: change');
    await this.combobox.fill(letters);
    await this.page.keyboard.press('Enter');
  }
  /** Where a circle lies in its picture, across and down. */
  async where(circle: RegExp): Promise<[number, number]> {
    const [, across, down] = /(\d+) across, (\d+) down/.exec(await this.setting(circle)) ?? [];
    return [Number(across), Number(down)];
  }
  /** Takes hold of a circle and moves it so far; it stays in the hand. */
  async drag(circle: RegExp, right: number, down: number): Promise<void> {
    const box = await this.page
      .getByRole('slider', { name: circle })
      .locator('circle')
      .first()
      .boundingBox();
    if (!box) throw new Error('no circle');
    const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
    await this.page.mouse.move(x, y);
    await this.page.mouse.down();
    await this.page.mouse.move(x + right, y + down, { steps: 4 });
  }
}
