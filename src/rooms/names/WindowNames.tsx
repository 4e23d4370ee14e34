"use client";

import { useStore } from "zustand";
import { NamesSwitch } from "./NamesSwitch";
import { chooseNames, windowNames } from "./window-names";

/** The switch of a window where no song is open: how keys are written, on the shelf and in an evening. */
export function WindowNames() {
  return <NamesSwitch choice={useStore(windowNames)} players={null} onChoose={chooseNames} />;
}
