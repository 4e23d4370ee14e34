import fs from "node:fs";
import path from "node:path";
import { syncPath } from "./place";

/** A file changed so lately may change again within one tick of the file system's clock, ns. */
const FRESH_NS = 1_000_000_000n;

const nameOf = ({ dev, ino }: fs.BigIntStats): string => `${dev} ${ino}`;

/**
 * Files and folders that are on the disk whole, each known by when it last changed: whoever writes to one changes that, so
 * what is still known need not be written through a second time.
 */
export class Settled {
  private readonly changed = new Map<string, bigint>();

  /** @param now the clock of the file system, ms since 1970 */
  constructor(private readonly now: () => number = Date.now) {}

  /** Writes a folder, all that is in it, and its name in the folder above through to the disk. */
  settle(folder: string): void {
    const now = BigInt(this.now()) * 1_000_000n;
    for (const entry of fs.readdirSync(folder, { withFileTypes: true })) {
      const place = path.join(folder, entry.name);
      if (entry.isDirectory()) this.settle(place);
      else if (entry.isFile()) this.settleOne(place, now);
    }
    this.settleOne(folder, now);
  }

  /** Whether it is as it was when it was settled. */
  has(stats: fs.BigIntStats): boolean {
    return this.changed.get(nameOf(stats)) === stats.ctimeNs;
  }

  forget(): void {
    this.changed.clear();
  }

  private settleOne(place: string, now: bigint): void {
    // What is written between the look and the writing through makes it another one.
    const stats = fs.statSync(place, { bigint: true });
    syncPath(place);
    if (stats.ctimeNs < now - FRESH_NS) this.changed.set(nameOf(stats), stats.ctimeNs);
  }
}
