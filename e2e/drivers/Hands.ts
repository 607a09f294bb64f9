import { expect, type Locator, type Page } from '@playwright/test';

type Exactly = { readonly exact?: boolean };
/** What somebody calls the parts of a page: by these, and by their names, everything is found. */
type Role = Parameters<Page['getByRole']>[0];
type Name = string | RegExp;
type File = Parameters<Locator['setInputFiles']>[0];
type Box = NonNullable<Awaited<ReturnType<Locator['boundingBox']>>>;

/** What hands and eyes do on any page. A string names a part of what is there; `exact`: all of it. */
export class Hands {
  constructor(
    readonly page: Page,
    /** Where they act: the page, or one part of it. */
    private readonly scope: Page | Locator = page,
  ) {}
  /** The same hands inside one part of the page: a dialog, a named region. */
  inside(role: Role, name?: Name): Hands {
    return new Hands(this.page, this.scope.getByRole(role, { name }));
  }

  /** The same hands at one line of a list. */
  atItem(words: Name): Hands {
    return new Hands(this.page, this.scope.getByRole('listitem').filter({ hasText: words }));
  }
  protected at(part: Locator): Hands {
    return new Hands(this.page, part);
  }
  /** The part they are at says so. */
  expectHere(words: Name): Promise<void> {
    return expect(this.part).toContainText(words);
  }
  private get part(): Locator {
    return this.scope === this.page ? this.page.locator('body') : (this.scope as Locator);
  }

  press(button: Name, { exact = false }: Exactly = {}): Promise<void> {
    return this.scope.getByRole('button', { name: button, exact }).click();
  }
  /** One of several that are called alike: the first. */
  pressFirst(button: Name): Promise<void> {
    return this.scope.getByRole('button', { name: button }).first().click();
  }
  /** One of several links that are called alike: the first. */
  followFirst(link: Name): Promise<void> {
    return this.scope.getByRole('link', { name: link }).first().click();
  }
  follow(link: Name, { exact = false }: Exactly = {}): Promise<void> {
    return this.scope.getByRole('link', { name: link, exact }).click();
  }
  /** Anything else that is touched: an option, a radio, a tab. */
  touch(role: Role, name: Name, { exact = false }: Exactly = {}): Promise<void> {
    return this.scope.getByRole(role, { name, exact }).click();
  }
  type(field: Name, text: string, { exact = false }: Exactly = {}): Promise<void> {
    return this.scope.getByLabel(field, { exact }).fill(text);
  }
  /** The field itself, where a button beside it is called alike. */
  typeInto(field: Name, text: string): Promise<void> {
    return this.scope.getByRole('textbox', { name: field }).fill(text);
  }
  expectTypedIn(field: Name, text: string): Promise<void> {
    return expect(this.scope.getByRole('textbox', { name: field })).toHaveValue(text);
  }
  tick(box: Name): Promise<void> {
    return this.scope.getByLabel(box).check();
  }
  untick(box: Name): Promise<void> {
    return this.scope.getByLabel(box).uncheck();
  }
  /** What opens under its own words. */
  unfold(words: Name): Promise<void> {
    return this.scope.getByText(words).click();
  }
  async choose(field: Name, option: string, { exact = false }: Exactly = {}): Promise<void> {
    await this.scope.getByLabel(field, { exact }).selectOption({ label: option });
  }

  /** It is said somewhere on the page. */
  expectSaid(words: Name): Promise<void> {
    return expect(this.scope.getByText(words).first()).toBeVisible();
  }
  expectSaidOnce(words: Name): Promise<void> {
    return expect(this.scope.getByText(words)).toBeVisible();
  }
  expectUnsaid(words: Name): Promise<void> {
    return expect(this.scope.getByText(words)).toHaveCount(0);
  }
  expectThere(role: Role, name: Name, { exact = false }: Exactly = {}): Promise<void> {
    return expect(this.scope.getByRole(role, { name, exact })).toBeVisible();
  }
  /** Several may be called so. */
  expectOneOf(role: Role, name: Name): Promise<void> {
    return expect(this.scope.getByRole(role, { name }).first()).toBeVisible();
  }
  expectNone(role: Role, name: Name, { exact = false }: Exactly = {}): Promise<void> {
    return expect(this.scope.getByRole(role, { name, exact })).toHaveCount(0);
  }
  expectDisabled(role: Role, name: Name, { exact = false }: Exactly = {}): Promise<void> {
    return expect(this.scope.getByRole(role, { name, exact })).toBeDisabled();
  }
  expectEnabled(role: Role, name: Name, { exact = false }: Exactly = {}): Promise<void> {
    return expect(this.scope.getByRole(role, { name, exact })).toBeEnabled();
  }
  expectChecked(role: Role, name: Name, { exact = false }: Exactly = {}): Promise<void> {
    return expect(this.scope.getByRole(role, { name, exact })).toBeChecked();
  }
  /** A named part of the page says so. */
  expectWords(role: Role, name: Name, words: Name): Promise<void> {
    return expect(this.scope.getByRole(role, { name })).toContainText(words);
  }
  expectField(field: Name, text: Name, { exact = false }: Exactly = {}): Promise<void> {
    return expect(this.scope.getByLabel(field, { exact })).toHaveValue(text);
  }
  /** What is wrong, said once. */
  expectFault(words: Name): Promise<void> {
    return expect(this.scope.getByRole('alert')).toContainText(words);
  }
  /** One of the faults that are said. */
  expectOneFault(words: Name): Promise<void> {
    return expect(this.scope.getByRole('alert').filter({ hasText: words })).toBeVisible();
  }
  expectDialog(words: Name): Promise<void> {
    return expect(this.scope.getByRole('dialog')).toContainText(words);
  }
  /** The whole text of the one part that says these words. */
  async textOf(words: Name): Promise<string> {
    return (await this.scope.getByText(words).textContent()) ?? '';
  }
  /** All that can be read on the part they are at. */
  allText(): Promise<string> {
    return this.part.innerText();
  }
  /** The text of a figure that has no name of its own on the screen. */
  async figureText(figure: string): Promise<string> {
    return (await this.scope.getByTestId(figure).innerText()).trim();
  }
  expectUnticked(box: Name): Promise<void> {
    return expect(this.scope.getByLabel(box)).not.toBeChecked();
  }
  async expectNoFault(): Promise<void> {
    await expect(this.scope.getByRole('alert')).toHaveCount(0);
  }
  expectFieldOpen(field: Name): Promise<void> {
    return expect(this.scope.getByLabel(field)).toBeEnabled();
  }
  expectFieldNot(field: Name, text: Name): Promise<void> {
    return expect(this.scope.getByLabel(field)).not.toHaveValue(text);
  }
  fieldText(field: Name): Promise<string> {
    return this.scope.getByLabel(field).inputValue();
  }
  expectFieldFocus(field: Name): Promise<void> {
    return expect(this.scope.getByLabel(field)).toBeFocused();
  }
  /** A file from this device. */
  give(field: Name, file: File): Promise<void> {
    return this.scope.getByLabel(field, { exact: true }).setInputFiles(file);
  }
  /** The first item of a list says the one, its last the other. */
  async expectFirstAndLast(first: Name, last: Name): Promise<void> {
    const items = this.scope.getByRole('listitem');
    await expect(items.first()).toContainText(first);
    await expect(items.last()).toContainText(last);
  }
  /** A button that is held down, a tab that is open. */
  expectOn(role: 'button' | 'tab', name: Name): Promise<void> {
    const attribute = role === 'tab' ? 'aria-selected' : 'aria-pressed';
    return expect(this.scope.getByRole(role, { name })).toHaveAttribute(attribute, 'true');
  }
  /** All that a part of the page says. */
  expectText(role: Role, name: Name, text: Name): Promise<void> {
    return expect(this.scope.getByRole(role, { name })).toHaveText(text);
  }
  doublePress(button: Name): Promise<void> {
    return this.scope.getByRole('button', { name: button }).dblclick();
  }
  /** What a slider is set to, in words. */
  async setting(slider: Name): Promise<string> {
    return (await this.sliderOf(slider).getAttribute('aria-valuetext')) ?? '';
  }
  expectSetting(slider: Name, text: string): Promise<void> {
    return expect(this.sliderOf(slider)).toHaveAttribute('aria-valuetext', text);
  }
  expectSettingNot(slider: Name, text: string): Promise<void> {
    return expect(this.sliderOf(slider)).not.toHaveAttribute('aria-valuetext', text);
  }
  takeSlider(slider: Name): Promise<void> {
    return this.sliderOf(slider).focus();
  }
  private sliderOf(name: Name): Locator {
    return this.scope.getByRole('slider', { name });
  }
  /** Where a picture comes from. */
  async sourceOf(picture: Name): Promise<string> {
    return (await this.scope.getByRole('img', { name: picture }).getAttribute('src')) ?? '';
  }
  /** Where a button lies on the screen. */
  placeOf(button: Name): Promise<Box | null> {
    return this.scope.getByRole('button', { name: button }).boundingBox();
  }
  /** The page is there, with its records. */
  async expectDrawn(): Promise<void> {
    await expect(this.page.locator('main').filter({ visible: true })).toHaveCount(1);
    await expect(this.page.locator('.loading')).toHaveCount(0);
  }
  expectFocus(role: Role, name: Name): Promise<void> {
    return expect(this.scope.getByRole(role, { name })).toBeFocused();
  }
  /** Whole on the screen, without scrolling. */
  expectInSight(role: Role, name: Name): Promise<void> {
    return expect(this.scope.getByRole(role, { name })).toBeInViewport({ ratio: 1 });
  }
  /** Where a link leads. */
  async leadsTo(link: Name, { exact = false }: Exactly = {}): Promise<string> {
    return (await this.scope.getByRole('link', { name: link, exact }).getAttribute('href')) ?? '';
  }
  /** A figure or a line that has no name of its own on the screen says so. */
  expectFigure(figure: string, words: Name): Promise<void> {
    return expect(this.scope.getByTestId(figure)).toContainText(words);
  }
  expectFigureIs(figure: string, text: Name): Promise<void> {
    return expect(this.scope.getByTestId(figure)).toHaveText(text);
  }
  expectFigureNot(figure: string, text: Name): Promise<void> {
    return expect(this.scope.getByTestId(figure)).not.toHaveText(text);
  }
  expectFigureThere(figure: string): Promise<void> {
    return expect(this.scope.getByTestId(figure)).toBeVisible();
  }
  expectNoFigure(figure: string): Promise<void> {
    return expect(this.scope.getByTestId(figure)).toHaveCount(0);
  }
}
