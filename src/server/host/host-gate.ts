/** A request as the gate sees it. `from` is the listener it came in by. */
export type AtTheGate = {
  readonly method: string;
  readonly path: string;
  readonly cookie: string;
  readonly from: "here" | "network";
};

/** What the gate says: in, with what it found written on the request, or out. */
export type Admission =
  | { readonly ok: true; readonly headers: Readonly<Record<string, string>> }
  | {
      readonly ok: false;
      readonly status: 401 | 403 | 503;
      readonly message: string;
      readonly location: string | null;
    };

/** Where the network reaches the program. */
export type Where = {
  readonly port: number;
  readonly secure: boolean;
  readonly addresses: readonly string[];
};

/** What the host asks of the program it hosts, once its database is being opened. */
export type Gate = {
  readonly admit: (request: AtTheGate) => Promise<Admission>;
  /** Opens the network again for an evening that was open when the program ended. */
  readonly reopen: (asked: { readonly closed: boolean }) => Promise<Where | null>;
  /** Closes what is open before the process ends. */
  readonly close: () => Promise<void>;
};
