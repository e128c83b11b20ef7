/** A component on the page, as a test sees it. */
import { flushSync, mount, unmount, type Component } from 'svelte';

let there: Record<string, unknown> | null = null;

/** Take off what a test put on the page: it would go on working with what the next one sets. */
export async function emptied(): Promise<void> {
  if (there) await unmount(there);
  there = null;
  document.body.replaceChildren();
}

/** What a component shows, alone on the page. */
export function mounted<Props extends Record<string, unknown>>(
  component: Component<Props>,
  props: Props,
): Shown {
  void emptied();
  there = mount(component, { target: document.body, props });
  flushSync();
  return new Shown();
}

export class Shown {
  /** All words, with one blank between any two. */
  get words(): string {
    flushSync();
    return (document.body.textContent ?? '').replace(/\s+/g, ' ').trim();
  }

  all(selector: string): HTMLElement[] {
    flushSync();
    return [...document.querySelectorAll<HTMLElement>(selector)];
  }

  button(name: string): HTMLButtonElement {
    const found = this.all('button').find((one) => one.textContent?.includes(name));
    if (!found) throw new Error(`no button “${name}” in “${this.words}”`);
    return found as HTMLButtonElement;
  }

  buttons(): string[] {
    return this.all('button').map((one) => (one.textContent ?? '').trim());
  }

  /** Press a button, and wait until what that asked for is answered. */
  async press(name: string): Promise<void> {
    this.button(name).click();
    for (let turn = 0; turn < 8; turn += 1) await Promise.resolve();
    await new Promise((done) => setTimeout(done));
    flushSync();
  }

  type(selector: string, text: string): void {
    const [input] = this.all(selector) as HTMLInputElement[];
    if (!input) throw new Error(`no ${selector}`);
    input.value = text;
    input.dispatchEvent(new Event('input', { bubbles: true }));
    flushSync();
  }
}
