import { useEffect, useEffectEvent, useLayoutEffect, useRef } from "react";
import {
  BOUNCE_MS,
  FOOT_OFF,
  type Foot,
  type FootEvent,
  type FootKey,
  LONG_PRESS_MS,
  stepFoot,
} from "@/core/stage";
import { stageKeyAct } from "@/ui/keys/stage";
import { isTyping } from "../page-keys";

type Asked = {
  /** Whether a press moves everybody: then it is told when the pedal comes up, and a long one means another thing. */
  readonly moves: boolean;
  readonly gateMs: number;
  /** @param ago how long ago the pedal went down, ms */
  readonly onTap: (key: FootKey, ago: number) => void;
  readonly onHold: () => void;
};

/** What a button on the screen does as the pedal of the same name. */
export type FootButton = {
  readonly onPointerDown: (event: React.PointerEvent) => void;
  readonly onPointerUp: () => void;
  readonly onPointerCancel: () => void;
  readonly onClick: (event: React.MouseEvent) => void;
};

/** On and Back, by pedals, keys and buttons alike: bounces, repeats and double presses count once. */
export function useFoot({ moves, gateMs, onTap, onHold }: Asked): (key: FootKey) => FootButton {
  const foot = useRef<Foot>(FOOT_OFF);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const now = (): number => performance.now();
  const step = (event: FootEvent) => {
    const { foot: next, means } = stepFoot(foot.current, event, gateMs);
    foot.current = next;
    if (means?.type === "tap") onTap(means.key, now() - means.at);
    else if (means?.type === "hold") onHold();
    clearTimeout(timer.current);
    if (!next.down || (next.held && next.up === null)) return;
    const due = next.up === null ? next.down.at + LONG_PRESS_MS : next.up + BOUNCE_MS;
    timer.current = setTimeout(() => step({ type: "time", at: now() }), Math.max(0, due - now()) + 1);
  };
  const press = (type: "down" | "up", key: FootKey) => {
    const at = now();
    if (moves) return step({ type, key, at });
    // A page of one's own turns as soon as the pedal goes down.
    if (type === "up" || at - foot.current.last < gateMs) return;
    foot.current = { ...FOOT_OFF, last: at };
    onTap(key, 0);
  };
  const onKey = useEffectEvent((event: KeyboardEvent, type: "down" | "up") => {
    const key = isTyping(event) ? null : stageKeyAct("stage", event);
    if (key === null) return;
    event.preventDefault();
    if (!event.repeat) press(type, key);
  });
  const onLost = useEffectEvent(() => step({ type: "lost" }));
  // With the drawing, not after it: a press that comes as soon as the sheet is seen must not be lost.
  useLayoutEffect(() => {
    const down = (event: KeyboardEvent) => onKey(event, "down");
    const up = (event: KeyboardEvent) => onKey(event, "up");
    const lost = () => onLost();
    window.addEventListener("keydown", down);
    window.addEventListener("keyup", up);
    window.addEventListener("blur", lost);
    return () => {
      window.removeEventListener("keydown", down);
      window.removeEventListener("keyup", up);
      window.removeEventListener("blur", lost);
    };
  }, []);
  useEffect(() => () => clearTimeout(timer.current), []);
  return (key) => ({
    onPointerDown: (event) => event.button === 0 && press("down", key),
    onPointerUp: () => press("up", key),
    onPointerCancel: () => step({ type: "lost" }),
    // A key on the button has no pointer.
    onClick: (event) => {
      if (event.detail !== 0) return;
      press("down", key);
      press("up", key);
    },
  });
}
