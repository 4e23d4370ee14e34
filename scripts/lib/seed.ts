/**
 * The laws are tried on made-up cases. `npm test` makes the same ones each time, so that a change is judged by itself;
 * `npm run fuzz` makes new ones each time and prints the seed of any that fails.
 */
import fc from "fast-check";

const { FUZZ_SEED = "20261126" } = process.env;
if (FUZZ_SEED !== "random") fc.configureGlobal({ seed: Number(FUZZ_SEED) });
