import type { z } from "zod";
import { answers, endpoint, sent } from "./endpoint";

/** A QR code as rows of dark and light, to be drawn by whoever shows it. */
export type QrSquares = { readonly size: number; readonly dark: string };
export type Joining = { readonly code: string; readonly qr: QrSquares | null };

/** What the leader is told of the open evening. */
export type NetworkStatus =
  | { readonly open: false; readonly secure: boolean }
  | {
      readonly open: true;
      readonly eveningId: string;
      readonly listening: boolean;
      readonly secure: boolean;
      readonly addresses: readonly string[];
      readonly player: Joining | null;
      readonly viewer: Joining | null;
      readonly guests: readonly {
        readonly id: string;
        readonly role: "leader" | "player" | "viewer";
        readonly person: string | null;
        readonly joinedAt: string;
      }[];
    };

/** Whether and how the evening is open; the leader's alone, for it holds the codes. */
export const readNetwork = /* @__PURE__ */ endpoint("GET", "/api/network", "leader", {
  answer: answers<NetworkStatus>(),
});

/** What the leader does with the network. */
export type NetworkAct = z.input<typeof import("./checks/network").networkAct>;

/** Opens an evening to the network, closes it, withdraws or renews a code, puts someone out. */
export const changeNetwork = /* @__PURE__ */ endpoint("POST", "/api/network", "leader", {
  request: sent(async () => (await import("./checks/network")).networkAct),
  answer: answers<NetworkStatus>(),
});

/** Whether an evening is open here. */
export const isOpen = /* @__PURE__ */ endpoint("GET", "/api/join", "anyone", {
  answer: answers<{ readonly open: boolean }>(),
});

/** Joins by a code, or as the leader by the passphrase; the answer sets a cookie that scripts can't read. */
export const joinEvening = /* @__PURE__ */ endpoint("POST", "/api/join", "anyone", {
  request: sent(async () => (await import("./checks/network")).secret, 2000),
  answer: answers<{ readonly role: "leader" | "player" | "viewer"; readonly eveningId: string }>(),
});
