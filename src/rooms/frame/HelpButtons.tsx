"use client";

import { Search } from "lucide-react";
import { showFrame } from "./frame-store";

/** The palette and the list of keys, for who has no keys at hand. */
export const HelpButtons = () => (
  <span className="join">
    <button
      type="button"
      className="btn btn-sm join-item"
      aria-label="Find anything"
      onClick={() => showFrame("palette")}
    >
      <Search size={16} aria-hidden="true" />
    </button>
    <button
      type="button"
      className="btn btn-sm join-item"
      aria-label="Keys and help"
      onClick={() => showFrame("help")}
    >
      ?
    </button>
  </span>
);
