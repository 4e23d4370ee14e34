import { createServer as createPlain } from "node:http";
import { createServer as createTls } from "node:https";
import { createServer as createSocket } from "node:net";
import { hostname, networkInterfaces } from "node:os";

const SILENT_MS = 10_000;
/** The first byte of a TLS greeting. */
const TLS_GREETING = 22;

/** This machine's addresses on its networks, IPv4 first: what a phone types. */
function networkAddresses() {
  const all = Object.values(networkInterfaces()).flatMap((list) => list ?? []);
  return all.filter(({ internal, family }) => !internal && family === "IPv4").map(({ address }) => address);
}

/** Names and ports a listener on the network answers to. */
const networkHosts = (port) => {
  const name = hostname().toLowerCase();
  return [...networkAddresses(), name, `${name}.local`, "127.0.0.1", "localhost"].map(
    (one) => `${one}:${port}`,
  );
};

/**
 * The listener for the network, opened and closed at run time. With a certificate it speaks TLS; plain HTTP then still
 * comes in at the same port, marked as such, for those who have yet to trust the certificate.
 * @param answer called with (request, response, { from, hosts, scheme })
 * @param certificateFor gives { key, cert } for names and addresses, or null for plain HTTP
 */
export function makeNetwork(answer, certificateFor) {
  let open = null;

  const listen = (socketServer, port) =>
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

  /** Listens at a port, or the first free one after it. @returns { port, secure, addresses } */
  const openAt = async (wanted, tries = 10) => {
    await close();
    for (let port = wanted; ; port++) {
      const certificate = await certificateFor(
        [hostname(), `${hostname()}.local`, "localhost"],
        [...networkAddresses(), "127.0.0.1"],
      );
      const scheme = certificate ? "https" : "http";
      const about = (from, how) => ({ from, scheme: how, hosts: networkHosts(port) });
      const plain = createPlain((request, response) =>
        answer(request, response, about(certificate ? "network-plain" : "network", "http")),
      );
      const secure = certificate
        ? createTls(certificate, (request, response) => answer(request, response, about("network", "https")))
        : null;
      const sockets = new Set();
      const front = createSocket((socket) => {
        sockets.add(socket);
        socket.on("close", () => sockets.delete(socket));
        socket.on("error", () => socket.destroy());
        // Who says nothing is not waited for.
        socket.setTimeout(SILENT_MS, () => socket.destroy());
        socket.once("data", (greeting) => {
          socket.setTimeout(0);
          socket.pause();
          socket.unshift(greeting);
          const server = greeting[0] === TLS_GREETING && secure ? secure : plain;
          server.emit("connection", socket);
          process.nextTick(() => socket.resume());
        });
      });
      try {
        await listen(front, port);
      } catch (error) {
        if (error.code === "EADDRINUSE" && port < wanted + tries) continue;
        throw error;
      }
      open = { front, sockets, servers: secure ? [plain, secure] : [plain], port, scheme };
      return where();
    }
  };

  const where = () =>
    open && { port: open.port, secure: open.scheme === "https", addresses: networkAddresses() };

  return { openAt, close, where };
}
