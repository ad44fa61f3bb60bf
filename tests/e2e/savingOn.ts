import type { App } from './app.ts';

/** Saves one note after the other as fast as the form lets it, and counts those it says are kept. */
const SAVE_ON = `
  const [from, more] = arguments;
  const form = document.querySelector('aside form');
  const field = [...form.querySelectorAll('label')].find((one) => one.textContent.startsWith('Note')).parentElement.querySelector('input, textarea');
  const type = Object.getOwnPropertyDescriptor(Object.getPrototypeOf(field), 'value').set;
  const button = () => document.querySelector('aside form [type=submit]');
  const next = (at) => {
    const text = 'note ' + at + more;
    type.call(field, text);
    field.dispatchEvent(new Event('input', { bubbles: true }));
    const press = () => button().disabled ? setTimeout(press, 1) : (button().click(), kept());
    const kept = () => {
      if (!button().disabled || field.value !== text) return setTimeout(kept, 1);
      document.documentElement.dataset.kept = at;
      next(at + 1);
    };
    press();
  };
  next(from);`;

/**
 * Begins to save the open card over and over, each time with another note, and does not wait for it.
 *
 * @param from - the number of the first note: "note 7" and what is given as `more`
 */
export const saveOn = (app: App, from: number, more = ''): Promise<unknown> => app.run(SAVE_ON, from, more);

/** The number of the last note that the form said is kept; 0 where none was. */
export const keptNow = async (app: App): Promise<number> =>
  Number((await app.run<string | null>('return document.documentElement.dataset.kept ?? null')) ?? 0);
