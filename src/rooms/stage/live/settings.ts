import { useCallback, useEffect, useState } from "react";
import { z } from "zod/mini";

/** How a stage looks on this device. */
const settingsSchema = z.object({
  density: z.enum(["all", "chords", "cues"]),
  size: z.number().check(z.minimum(0), z.maximum(4)),
  light: z.boolean(),
  hand: z.enum(["right", "left"]),
  click: z.boolean(),
  leads: z.boolean(),
  pedals: z.boolean(),
});

export type StageSettings = z.infer<typeof settingsSchema>;

/** How much larger letters are at each size; the middle one is read from two metres on a small laptop. */
export const SIZES = [0.6, 0.8, 1, 1.3, 1.7] as const;

const PLAIN: StageSettings = {
  density: "all",
  size: 2,
  light: false,
  hand: "right",
  click: false,
  leads: false,
  pedals: true,
};

const KEY = "lantern-stage";

/** The settings of this device, kept on it. They are known after the first drawing. */
export function useStageSettings(): [StageSettings, (change: Partial<StageSettings>) => void] {
  const [settings, setSettings] = useState(PLAIN);
  useEffect(() => {
    try {
      const kept = settingsSchema.safeParse({ ...PLAIN, ...JSON.parse(localStorage.getItem(KEY) ?? "{}") });
      if (kept.success) setSettings(kept.data);
    } catch {
      // Nothing is kept on this device.
    }
  }, []);
  const change = useCallback((fields: Partial<StageSettings>) => {
    setSettings((before) => {
      const next = { ...before, ...fields };
      try {
        localStorage.setItem(KEY, JSON.stringify(next));
      } catch {
        // Then only for as long as the page is open.
      }
      return next;
    });
  }, []);
  return [settings, change];
}
