import { unzipSync } from "fflate";
import { fail, ok, type Result } from "../../base";

/** What a zip may hold; more is refused before anything is unpacked. */
export type ZipLimits = { readonly files: number; readonly bytes: number };

export type ZipProblem =
  | { readonly code: "not-a-zip" }
  | { readonly code: "too-many-files"; readonly most: number }
  | { readonly code: "too-large"; readonly most: number };

export type ZipEntry = { readonly name: string; readonly bytes: Uint8Array };

class Refused extends Error {
  constructor(readonly problem: ZipProblem) {
    super(problem.code);
  }
}

/**
 * Unpacks the files of a zip that are wanted. Sizes are judged by the zip's own list before unpacking, and no file
 * is unpacked beyond the size it gives: a zip that swells is refused.
 */
export function unzip(
  bytes: Uint8Array,
  limits: ZipLimits,
  wanted: (name: string) => boolean = () => true,
): Result<ZipEntry[], ZipProblem> {
  let total = 0;
  let count = 0;
  try {
    const files = unzipSync(bytes, {
      filter: ({ name, originalSize, size }) => {
        if (name.endsWith("/") || !wanted(name)) return false;
        if (++count > limits.files) throw new Refused({ code: "too-many-files", most: limits.files });
        total += Math.max(originalSize, size);
        if (total > limits.bytes) throw new Refused({ code: "too-large", most: limits.bytes });
        return true;
      },
    });
    return ok(Object.entries(files).map(([name, content]) => ({ name, bytes: content })));
  } catch (error) {
    return fail(error instanceof Refused ? error.problem : { code: "not-a-zip" });
  }
}

export const describeZipProblem = (problem: ZipProblem): string => {
  switch (problem.code) {
    case "not-a-zip":
      return "This is no zip file that can be unpacked; it may be damaged. Nothing was taken from it.";
    case "too-many-files":
      return `This zip holds more than ${problem.most.toLocaleString("en")} files. Take it in parts. Nothing was taken from it.`;
    case "too-large":
      return `Unpacked, this zip would be larger than ${Math.round(problem.most / 1_000_000)} MB. Nothing was taken from it.`;
  }
};

/** Whether bytes begin as a zip does. */
export const isZip = (bytes: Uint8Array): boolean =>
  bytes[0] === 0x50 && bytes[1] === 0x4b && (bytes[2] === 3 || bytes[2] === 5);
