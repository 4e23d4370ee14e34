import {
  createServer as createPlain,
  type IncomingMessage,
  type Server,
  type ServerResponse,
} from "node:http";
import { createServer as createTls } from "node:https";
import { createServer as createSocket, type Socket, type Server as SocketServer } from "node:net";
import { hostname, networkInterfaces } from "node:os";
import type { Network } from "./host";
import type { Where } from "./host-gate";
import type { Scheme } from "./origin";
import { LineCount, PATIENCE, type Patience, watchLines } from "./patience";

/** The first byte of a TLS greeting. */
const TLS_GREETING = 22;

/** This machine's addresses on its networks, IPv4 first: what a phone types. */
function networkAddresses(): string[] {
  const all = Object.values(networkInterfaces()).flatMap((list) => list ?? []);
  return all.filter(({ internal, family }) => !internal && family === "IPv4").map(({ address }) => address);
}

/** Names and ports a listener on the network answers to. */
const networkHosts = (port: number): string[] => {
  const name = hostname().toLowerCase();
  return [...networkAddresses(), name, `${name}.local`, "127.0.0.1", "localhost"].map(
    (one) => `${one}:${port}`,
  );
};

/** By which listener a request came in, and what it is held to. */
type Listener = {
  readonly from: "here" | "network" | "network-plain";
  readonly scheme: Scheme;
  readonly hosts: readonly string[];
};

export type Answer = (request: IncomingMessage, response: ServerResponse, about: Listener) => unknown;

/** Gives a key and a certificate for names and addresses, or null for plain HTTP. */
type CertificateFor = (
  names: readonly string[],
  addresses: readonly string[],
) => Promise<{ readonly key: string; readonly cert: string } | null>;

type Open = {
  readonly front: SocketServer;
  readonly sockets: ReadonlySet<Socket>;
  readonly servers: readonly Server[];
  readonly port: number;
  readonly scheme: Scheme;
};

/** The port's own listener: it looks at the first byte of a line, and hands it on to who speaks that. */
function makeFront(plain: Server, secure: Server | null, patience: Patience) {
  const sockets = new Set<Socket>();
  const count = new LineCount(patience.mostLines);
  const front = createSocket((socket) => {
    if (!count.take(socket)) {
      socket.destroy();
      return;
    }
    sockets.add(socket);
    socket.on("close", () => sockets.delete(socket));
    socket.on("error", () => socket.destroy());
    // Who says nothing is not waited for.
    socket.setTimeout(patience.headMs, () => socket.destroy());
    socket.once("data", (greeting) => {
      socket.setTimeout(0);
      socket.pause();
      socket.unshift(greeting);
      const server = greeting[0] === TLS_GREETING && secure ? secure : plain;
      server.emit("connection", socket);
      process.nextTick(() => socket.resume());
    });
  });
  return { front, sockets };
}

/**
 * The listener for the network, opened and closed at run time. With a certificate it speaks TLS; plain HTTP then still
 * comes in at the same port, marked as such, for those who have yet to trust the certificate.
 */
export function makeNetwork(
  answer: Answer,
  certificateFor: CertificateFor,
  patience: Patience = PATIENCE,
): Pick<Network, "openAt" | "close" | "where"> {
  let open: Open | null = null;

  const listen = (socketServer: SocketServer, port: number): Promise<void> =>
    new Promise((resolve, reject) => {
      socketServer.once("error", reject);
      socketServer.listen(port, "0.0.0.0", () => {
        socketServer.off("error", reject);
        resolve();
      });
    });

  const close = async () => {
    if (!open) return;
    const { front, servers, sockets } = open;
    open = null;
    front.close();
    for (const server of servers) server.closeAllConnections();
    for (const socket of sockets) socket.destroy();
  };

  const openAt = async (wanted: number, tries = 10): Promise<Where> => {
    await close();
    for (let port = wanted; ; port++) {
      const certificate = await certificateFor(
        [hostname(), `${hostname()}.local`, "localhost"],
        [...networkAddresses(), "127.0.0.1"],
      );
      const scheme: Scheme = certificate ? "https" : "http";
      const about = (from: Listener["from"], how: Scheme): Listener => ({
        from,
        scheme: how,
        hosts: networkHosts(port),
      });
      const plain = createPlain((request, response) =>
        answer(request, response, about(certificate ? "network-plain" : "network", "http")),
      );
      const secure = certificate
        ? createTls({ ...certificate, handshakeTimeout: patience.headMs }, (request, response) =>
            answer(request, response, about("network", "https")),
          )
        : null;
      watchLines(plain, "connection", patience);
      if (secure) watchLines(secure, "secureConnection", patience);
      const { front, sockets } = makeFront(plain, secure, patience);
      try {
        await listen(front, port);
      } catch (error) {
        if ((error as NodeJS.ErrnoException).code === "EADDRINUSE" && port < wanted + tries) continue;
        throw error;
      }
      open = { front, sockets, servers: secure ? [plain, secure] : [plain], port, scheme };
      return { port, secure: scheme === "https", addresses: networkAddresses() };
    }
  };

  const where = (): Where | null =>
    open && { port: open.port, secure: open.scheme === "https", addresses: networkAddresses() };

  return { openAt, close, where };
}
