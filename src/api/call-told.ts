import { type Called, callReading, type Options, type Said } from "./call";
import type { Endpoint } from "./endpoint";
import { LINES, type Line } from "./lines";

/** Is told how far the server is. */
type Told = (done: number, of: number) => void;

/**
 * Asks the server for what it works at long, and tells how far it is; never throws.
 * @example await callTold(takeBackup, { sent: file }, (done, of) => setShare(done / of));
 */
export const callTold = <Output, Input, Answer, Refusal>(
  endpoint: Endpoint<Output, Input, Answer, Refusal>,
  options: Options<Input>,
  onProgress: Told,
): Promise<Called<Answer, Refusal>> =>
  callReading(endpoint, options, { accept: LINES, read: (response) => readLines(response, onProgress) });

async function readLines(response: Response, onProgress: Told): Promise<Said> {
  if (response.headers.get("content-type") !== LINES || !response.body)
    return { status: response.status, answer: await response.json() };
  const reader = response.body.pipeThrough(new TextDecoderStream()).getReader();
  let text = "";
  for (;;) {
    const { done, value } = await reader.read();
    if (done) throw new Error("Expected an answer as the last line.");
    const lines = (text + value).split("\n");
    text = lines.pop()!;
    for (const line of lines) {
      const said = JSON.parse(line) as Line;
      if ("status" in said) return said;
      onProgress(said.done, said.of);
    }
  }
}
