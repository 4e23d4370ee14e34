import { pressStage } from "@/api";
import { refuse } from "@/server/http";
import { serveStage } from "@/server/stage/asked";

/** The leader moves everybody. 200 once it is on disk, 409 with the reason where it can't be done now. */
export const POST = serveStage(pressStage, async ({ session, sent }) => {
  const pressed = await session.press(sent);
  return pressed.ok ? { event: pressed.event } : refuse(409, "act", pressed.reason);
});
