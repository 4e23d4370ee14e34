import { bringBackup, bringBackupPartly, bringKept, makeSong, saveBackup, saveKept, sendEdit } from "@/api";
import type { Handler } from "../serve";
import {
  answerBringBackup,
  answerBringBackupPartly,
  answerBringKept,
  answerRoll,
  answerSaveBackup,
  answerSaveKept,
} from "./backups";
import { nameOf, ROLL } from "./job";
import { answerMakeSong } from "./make-song";
import { answerEdit } from "./take-edit";

/** What is answered in a thread apart, by the names of the endpoints. */
export const HANDLERS: ReadonlyMap<string, Handler> = new Map([
  [nameOf(makeSong), answerMakeSong],
  [nameOf(sendEdit), answerEdit],
  [nameOf(saveBackup), answerSaveBackup],
  [nameOf(bringBackup), answerBringBackup],
  [nameOf(bringBackupPartly), answerBringBackupPartly],
  [nameOf(saveKept), answerSaveKept],
  [nameOf(bringKept), answerBringKept],
  [ROLL, answerRoll],
]);
