/** Loaded before the program (`node --import`): the system's clock is as many ms off as the file `MOVED_CLOCK` says. */
import { readFileSync } from "node:fs";

const file = process.env.MOVED_CLOCK;
const RealDate = Date;
const real = Date.now.bind(Date);
let [read, offset] = [0, 0];

/** Looked up at most every 100 ms: the clock is asked often. */
const offsetNow = () => {
  if (real() - read < 100) return offset;
  read = real();
  try {
    offset = Number(readFileSync(file, "utf8")) || 0;
  } catch {
    offset = 0;
  }
  return offset;
};

if (file) {
  globalThis.Date = class extends RealDate {
    constructor(...parts) {
      if (parts.length === 0) super(real() + offsetNow());
      else super(...parts);
    }
    // Next makes a Date of its own of what this one has by itself.
    static parse = RealDate.parse;
    static UTC = RealDate.UTC;
    static now() {
      return real() + offsetNow();
    }
  };
}
