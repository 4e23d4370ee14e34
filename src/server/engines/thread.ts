/** The engines in a thread of the server: compiled by itself when the program is built. */
import { parentPort } from "node:worker_threads";
import { expose } from "comlink";
import nodeEndpoint from "comlink/dist/umd/node-adapter.js";
import { weighSong } from "@/core/practice";
import type { VersionBody } from "@/core/song/schema";
import { type Outcome, runEngine } from "@/engines";
import type { Job } from "@/engines/threads";
import { WEIGHS } from "./weighs";

const thread = {
  ask: ({ engine, question }: Job): Outcome =>
    // Only the server itself asks for it: what comes over HTTP names an engine.
    engine === WEIGHS
      ? { ok: true, result: weighSong(question as VersionBody) }
      : runEngine(engine, question, "http"),
};

export type EngineThread = typeof thread;

if (!parentPort) throw new Error("This is a thread of the server: it is not started by itself.");
expose(thread, nodeEndpoint(parentPort));
