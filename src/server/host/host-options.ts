import path from "node:path";

/** How the program was asked to run. */
export type Options = {
  /** Whether sources are served, and reloaded as they change. */
  readonly dev: boolean;
  /** Whether evenings are opened to the network over TLS. */
  readonly secure: boolean;
  /** Whether an evening that was left open is ended at the start. */
  readonly closed: boolean;
  readonly port: number;
  readonly folder: string;
};

const USUAL_PORT = 3210;

/**
 * Reads flags and environment.
 * @returns the options, or the sentence that says what is wrong
 */
export function readOptions(
  flags: readonly string[],
  env: Readonly<Record<string, string | undefined>>,
): Options | string {
  const port = Number(env.PORT ?? USUAL_PORT);
  if (!Number.isInteger(port) || port < 1 || port > 65534)
    return `PORT is ${JSON.stringify(env.PORT)}; it should be a number from 1 to 65534.`;
  return {
    dev: flags.includes("--dev"),
    secure: flags.includes("--https"),
    closed: flags.includes("--closed"),
    port,
    folder: path.resolve(env.LANTERN_DATA ?? "data"),
  };
}
