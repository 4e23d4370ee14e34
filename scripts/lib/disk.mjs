import { spawnSync } from "node:child_process";
import { copyFileSync, mkdirSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";

const run = (command, args) => {
  const { status, stderr, error } = spawnSync(command, args, { encoding: "utf8" });
  if (status !== 0) throw new Error(`${command} ${args.join(" ")}: ${error?.message ?? stderr}`);
};

/**
 * A disk of its own in a file, mounted: what the program has not written through is not in the file yet. A copy of the
 * file while the program stands still is what a power cut would leave.
 */
export class Disk {
  constructor(folder, image) {
    this.folder = folder;
    this.image = image;
    this.place = path.join(folder, "disk");
  }

  /** Makes a disk of so many megabytes, with ext4 on it. */
  static make(megabytes) {
    const folder = mkdtempSync(path.join(tmpdir(), "lantern-disk-"));
    const disk = new Disk(folder, path.join(folder, "image"));
    run("truncate", ["-s", `${megabytes}M`, disk.image]);
    run("mkfs.ext4", ["-q", disk.image]);
    disk.mount();
    return disk;
  }

  mount() {
    mkdirSync(this.place, { recursive: true });
    run("mount", ["-o", "loop", this.image, this.place]);
  }

  /** The disk as a power cut leaves it now: a copy of what has reached it. */
  cut() {
    const folder = mkdtempSync(path.join(tmpdir(), "lantern-disk-"));
    const copy = new Disk(folder, path.join(folder, "image"));
    copyFileSync(this.image, copy.image);
    copy.mount();
    return copy;
  }

  remove() {
    // A program that was ended a moment ago may still hold it.
    for (let tries = 0; tries < 50 && spawnSync("umount", [this.place]).status !== 0; tries++)
      Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, 100);
    rmSync(this.folder, { recursive: true, force: true });
  }
}

/** Why no disk can be mounted on this machine, or null when one can. */
export function whyNoDisk() {
  if (process.platform !== "linux") return "only Linux mounts a file as a disk";
  try {
    Disk.make(8).remove();
    return null;
  } catch (error) {
    return error instanceof Error ? error.message.trim() : String(error);
  }
}
