import type { IncomingMessage, Server, ServerResponse } from "node:http";
import type { Socket } from "node:net";

/** How long the network's listener waits for somebody, ms, and how many lines it lets one address hold. */
export type Patience = {
  /** For a whole head, and between one answer and the next request. */
  readonly headMs: number;
  /** For a whole body, from its head on. */
  readonly bodyMs: number;
  readonly mostLines: number;
};

/** A phone in a thick-walled room is slow; who half-sends and waits is not meant. */
export const PATIENCE: Patience = Object.freeze({ headMs: 15_000, bodyMs: 60_000, mostLines: 100 });

const hasBody = ({ headers }: IncomingMessage): boolean =>
  headers["transfer-encoding"] !== undefined || Number(headers["content-length"] ?? 0) > 0;

/**
 * Ends lines on which a request is half sent and nothing follows. A server that does not listen itself keeps no such watch.
 * @param begins the event by which it is handed a line
 */
export function watchLines(
  server: Server,
  begins: "connection" | "secureConnection",
  { headMs, bodyMs }: Patience,
): void {
  const timers = new WeakMap<Socket, NodeJS.Timeout>();
  const rest = (socket: Socket) => clearTimeout(timers.get(socket));
  const wait = (socket: Socket, ms: number) => {
    rest(socket);
    timers.set(
      socket,
      setTimeout(() => socket.destroy(), ms),
    );
  };
  server.on(begins, (socket: Socket) => {
    wait(socket, headMs);
    socket.once("close", () => rest(socket));
  });
  server.on("request", (request: IncomingMessage, response: ServerResponse) => {
    const { socket } = request;
    rest(socket);
    if (hasBody(request)) {
      wait(socket, bodyMs);
      request.once("end", () => rest(socket));
    }
    response.once("finish", () => {
      if (!socket.destroyed) wait(socket, headMs);
    });
  });
}

/** Counts the lines of each address. */
export class LineCount {
  private readonly lines = new Map<string, number>();

  constructor(private readonly most: number) {}

  /** Takes a line up, unless its address holds too many already. */
  take(socket: Socket): boolean {
    const address = socket.remoteAddress ?? "";
    const held = this.lines.get(address) ?? 0;
    if (held >= this.most) return false;
    this.lines.set(address, held + 1);
    socket.once("close", () => {
      const left = this.lines.get(address)! - 1;
      if (left > 0) this.lines.set(address, left);
      else this.lines.delete(address);
    });
    return true;
  }
}
