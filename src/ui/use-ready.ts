"use client";

import { useSyncExternalStore } from "react";

const never = () => () => {};

/** Whether the page's script has taken over: what is typed before that would be lost, so fields wait for it. */
export const useReady = (): boolean =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
