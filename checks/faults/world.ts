import fs, { mkdirSync, mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { setTimeout as wait } from "node:timers/promises";
import { Disk, whyNoDisk } from "../../scripts/lib/disk.mjs";
import { freePort, startServer } from "../../scripts/lib/server.mjs";

const MEGABYTES = 320;
/** A piece of what fills the disk, bytes. */
const PIECE = 1_000_000;

/**
 * The program and what it stands on, to be broken: its process, its clock and its disk. Where this machine mounts no file as a
 * disk, the disk can't be cut or filled; it refuses what is written to it instead.
 */
export class World {
  readonly folder = mkdtempSync(path.join(tmpdir(), "lantern-faults-"));
  readonly whyNoDisk = whyNoDisk();
  private readonly clockFile = path.join(this.folder, "clock");
  private readonly brokenFile = path.join(this.folder, "broken");
  private disk = this.whyNoDisk === null ? Disk.make(MEGABYTES) : null;
  private server: Awaited<ReturnType<typeof startServer>> | null = null;
  private offsetMs = 0;

  private constructor(readonly port: number) {
    mkdirSync(this.data, { recursive: true });
  }

  static async make(): Promise<World> {
    const world = new World(await freePort());
    await world.start();
    return world;
  }

  get address(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  get data(): string {
    return path.join(this.disk?.place ?? this.folder, "data");
  }

  /** Starts the program, on the same port each time. */
  async start(): Promise<void> {
    const loaded = ["moved-clock.mjs", "failing-disk.mjs"].map(
      (name) => `--import=${path.resolve("scripts", "lib", name)}`,
    );
    this.server = await startServer({
      data: this.data,
      port: this.port,
      page: "/api/join",
      env: {
        NODE_OPTIONS: loaded.join(" "),
        MOVED_CLOCK: this.clockFile,
        FAILING_DISK: this.brokenFile,
        LANTERN_BACKUP_MINUTES: "0.2",
      },
    });
  }

  /** Ends the program in the middle of whatever it does, and starts it again. */
  async kill(): Promise<void> {
    await this.server!.stop("SIGKILL");
    await this.start();
  }

  /** The program stands still for a while, as on a machine that was put to sleep. */
  async pause(ms: number): Promise<void> {
    this.server!.child.kill("SIGSTOP");
    await wait(ms);
    this.server!.child.kill("SIGCONT");
  }

  /** The system's clock is set on or back while the program runs; with `again` also over a new start. */
  async moveClock(ms: number, again: boolean): Promise<void> {
    this.offsetMs += ms;
    writeFileSync(this.clockFile, String(this.offsetMs));
    if (again) await this.kill();
  }

  /** The disk takes nothing for a while: it is full, or where there is none of our own, broken. */
  async noSpace(ms: number): Promise<void> {
    const filler = path.join(this.disk?.place ?? "", "filler");
    if (this.disk) fill(filler);
    else writeFileSync(this.brokenFile, "");
    await wait(ms);
    rmSync(this.disk ? filler : this.brokenFile, { force: true });
    // A program whose log could not be written has ended with a sentence.
    const ended = await Promise.race([this.server!.ended, wait(1500)]);
    if (ended) await this.start();
  }

  /** Cuts the power: what has reached the disk is all that is left. */
  async cutPower(): Promise<void> {
    const { disk, server } = this;
    if (!disk) return this.kill();
    server!.child.kill("SIGSTOP");
    this.disk = disk.cut();
    await server!.stop("SIGKILL");
    disk.remove();
    await this.start();
  }

  /** Ends the program as people do. */
  async stop(): Promise<void> {
    await this.server?.stop();
    this.server = null;
  }

  async remove(): Promise<void> {
    await this.server?.stop("SIGKILL");
    this.disk?.remove();
    rmSync(this.folder, { recursive: true, force: true });
  }
}

/** Writes until nothing goes on the disk any more. */
function fill(file: string): void {
  const descriptor = fs.openSync(file, "w");
  try {
    const piece = Buffer.alloc(PIECE, 1);
    for (let written = 0; written < MEGABYTES * 1e6; written += PIECE) fs.writeSync(descriptor, piece);
  } catch {
    // Full.
  } finally {
    fs.closeSync(descriptor);
  }
}
