import { randomBytes } from "node:crypto";

/**
 * What a page may load and run, as a Content-Security-Policy (Level 3): our own files, and scripts that carry this answer's
 * nonce. A script that came in with somebody's text has none.
 */
export const policyWith = (nonce: string): string =>
  [
    "default-src 'self'",
    // The unpacker of the bank of sounds is WebAssembly.
    `script-src 'self' 'wasm-unsafe-eval' 'nonce-${nonce}'`,
    // Styles of single elements place chords, strands and bars.
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "media-src 'self' blob:",
    "connect-src 'self'",
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join("; ");

/** A nonce for one answer. */
export const makeNonce = (): string => randomBytes(16).toString("base64");
