/** Loaded before the program (`node --import`): its disk takes nothing any more once the file `FAILING_DISK` names is there. */
import fs from "node:fs";

const { fdatasyncSync } = fs;
fs.fdatasyncSync = (descriptor) => {
  if (fs.existsSync(process.env.FAILING_DISK ?? ""))
    throw Object.assign(new Error("EIO: i/o error, fdatasync"), { code: "EIO", errno: -5 });
  fdatasyncSync(descriptor);
};
