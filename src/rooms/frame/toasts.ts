import { createStore } from "zustand/vanilla";

/** A sentence that comes and goes, with what can be done about it. */
export type Toast = {
  readonly words: string;
  readonly act?: { readonly name: string; readonly run: () => void };
  /** Only to be heard: screen readers say it, nothing is shown. */
  readonly isSaid?: boolean;
};

/** The last sentence, with a count so that the same one can come again. */
export const toasts = createStore<{ readonly last: Toast | null; readonly count: number }>(() => ({
  last: null,
  count: 0,
}));

/** Shows a sentence for a while; screen readers say it. */
export const tell = (toast: Toast): void =>
  toasts.setState(({ count }) => ({ last: toast, count: count + 1 }));
