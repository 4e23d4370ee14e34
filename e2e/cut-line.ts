import { createServer, request, type Server } from "node:http";

/** A line between a screen and the server that can be cut and mended, as a network on a stage is. */
export async function makeLine(port: number): Promise<{
  readonly address: string;
  readonly cut: () => Promise<void>;
  readonly mend: () => Promise<void>;
}> {
  const own = `http://127.0.0.1:${port}`;
  let server: Server;
  let at = 0;
  const mend = () =>
    new Promise<void>((resolve) => {
      server = createServer((asked, answer) => {
        const headers = { ...asked.headers, host: `127.0.0.1:${port}` };
        if (headers.origin) headers.origin = own;
        const onward = request(
          { port, host: "127.0.0.1", method: asked.method, path: asked.url, headers },
          (back) => {
            answer.writeHead(back.statusCode ?? 502, back.headers);
            back.pipe(answer);
          },
        );
        onward.on("error", () => answer.destroy());
        answer.on("close", () => onward.destroy());
        asked.pipe(onward);
      });
      server.listen(at, "127.0.0.1", () => {
        at = (server.address() as { port: number }).port;
        resolve();
      });
    });
  const cut = () =>
    new Promise<void>((resolve) => {
      server.close(() => resolve());
      server.closeAllConnections();
    });
  await mend();
  return { address: `http://127.0.0.1:${at}`, cut, mend };
}
