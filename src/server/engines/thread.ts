/** The engines in a thread of the server: compiled by itself when the program is built. */
import { parentPort } from "node:worker_threads";
import { expose } from "comlink";
import nodeEndpoint from "comlink/dist/umd/node-adapter.js";
import { type Outcome, runEngine } from "@/engines";
import type { Job } from "@/engines/threads";

const thread = {
  ask: ({ engine, question }: Job): Outcome => runEngine(engine, question, "http"),
};

export type EngineThread = typeof thread;

if (!parentPort) throw new Error("This is a thread of the server: it is not started by itself.");
expose(thread, nodeEndpoint(parentPort));
