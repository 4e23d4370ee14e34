import {
  answeredAt,
  heardFrom,
  NO_BOUNDS,
  type Offset,
  type OffsetBounds,
  offsetAt,
  serverTime,
} from "@/core/stage";
import { localNow } from "./local-now";

/** The server's clock as this device knows it, from the messages that have passed between them. */
export class StageClock {
  private bounds: OffsetBounds = NO_BOUNDS;
  private offset: Offset | null = null;
  private kept = 0;

  /** Begins with what was known when the page was last open. @param offset server's clock less ours, ms */
  begin(offset: number): void {
    this.kept = offset;
  }

  now(): number {
    return this.offset ? serverTime(this.offset, localNow()) : localNow() + this.kept;
  }

  /** How far it may be off, ms; null while it is not measured. */
  get within(): number | null {
    return this.offset?.within ?? null;
  }

  heard(server: number, here: number): void {
    this.learn(heardFrom(this.bounds, server, here));
  }

  answered(asked: number, server: number, here: number): void {
    this.learn(answeredAt(this.bounds, asked, server, here));
  }

  private learn(bounds: OffsetBounds): void {
    this.bounds = bounds;
    this.offset = offsetAt(bounds, localNow()) ?? this.offset;
  }
}
