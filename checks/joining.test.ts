import { execFileSync, spawnSync } from "node:child_process";
import { mkdtempSync, rmSync, statSync, writeFileSync } from "node:fs";
import { createServer, get } from "node:https";
import { tmpdir } from "node:os";
import path from "node:path";
import jsQR from "jsqr";
import QRCode from "qrcode";
import { afterAll, describe, expect, it } from "vitest";
import { startServer } from "../scripts/lib/server.mjs";
import { makeAuthority, makeServerCertificate } from "../src/server/host/certificate";

/**
 * What a phone meets at the door, against programs from outside: the certificate by OpenSSL and by Node's own TLS, the QR code
 * by jsQR, a reader that shares nothing with the library that draws it.
 */
const folder = mkdtempSync(path.join(tmpdir(), "lantern-cert-"));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const NAMES = ["lofty", "lofty.local", "localhost"];
const authority = makeAuthority(NAMES);
const server = makeServerCertificate(authority, NAMES, ["192.168.7.20", "127.0.0.1"]);
const file = (name: string, text: string) => {
  const place = path.join(folder, name);
  writeFileSync(place, text);
  return place;
};
const ca = file("ca.pem", authority.cert);

const verify = (certificate: string, name = "one.pem", ...more: string[]) =>
  spawnSync("openssl", ["verify", "-CAfile", ca, "-purpose", "sslserver", ...more, file(name, certificate)], {
    encoding: "utf8",
  });

describe("the local certificate authority", () => {
  it("is believed by OpenSSL for this machine's names and addresses", () => {
    for (const about of [
      ["-verify_ip", "192.168.7.20"],
      ["-verify_hostname", "lofty.local"],
    ])
      expect(verify(server.cert, "server.pem", ...about).stdout).toContain("OK");
    expect(verify(server.cert, "server.pem", "-verify_ip", "192.168.7.21").status).not.toBe(0);
  });

  it("may speak for private addresses and its own names only", () => {
    expect(verify(makeServerCertificate(authority, NAMES, ["10.1.2.3", "172.16.9.9"]).cert).stdout).toContain(
      "OK",
    );
    expect(verify(makeServerCertificate(authority, NAMES, ["8.8.8.8"]).cert).status).not.toBe(0);
    expect(verify(makeServerCertificate(authority, ["bank.example"], []).cert).status).not.toBe(0);
    const ownToo = makeAuthority(NAMES, ["203.0.113.9"]);
    const there = makeServerCertificate(ownToo, NAMES, ["203.0.113.9"]).cert;
    const trusting = ["verify", "-CAfile", file("own.pem", ownToo.cert), file("there.pem", there)];
    expect(spawnSync("openssl", trusting, { encoding: "utf8" }).stdout).toContain("OK");
    // What it signs is no authority itself.
    const deeper = makeServerCertificate({ key: server.key, cert: server.cert }, NAMES, ["10.0.0.1"]);
    expect(verify(deeper.cert, "deep.pem", "-untrusted", file("mid.pem", server.cert)).status).not.toBe(0);
  });

  it("lasts as long as phones take: the server's under 398 days, and says what it is for", () => {
    const said = execFileSync("openssl", ["x509", "-noout", "-text", "-in", file("s.pem", server.cert)], {
      encoding: "utf8",
    });
    expect(said).toContain("TLS Web Server Authentication");
    expect(said).toContain("IP Address:192.168.7.20");
    const [from, to] = ["Not Before", "Not After "].map((name) =>
      Date.parse(new RegExp(`${name}\\s*: (.*)`, "u").exec(said)![1]!),
    );
    expect((to! - from!) / 86_400_000).toBeLessThan(398);
    const root = execFileSync("openssl", ["x509", "-noout", "-text", "-in", ca], { encoding: "utf8" });
    expect(root).toContain("CA:TRUE, pathlen:0");
    expect(root).toMatch(/Name Constraints: critical/u);
  });

  it("carries a line that Node trusts with it, and not without", async () => {
    const listener = createServer(server, (_request, response) => response.end("lit"));
    await new Promise<void>((done) => listener.listen(0, "127.0.0.1", done));
    const { port } = listener.address() as { port: number };
    const fetchWith = (trust: string | undefined) =>
      new Promise<string>((resolve, reject) => {
        get({ host: "127.0.0.1", port, ca: trust, agent: false }, (response) => {
          response.on("data", (text) => resolve(String(text)));
        }).on("error", reject);
      });
    expect(await fetchWith(authority.cert)).toBe("lit");
    await expect(fetchWith(undefined)).rejects.toThrow();
    listener.close();
  });
});

describe("the program with --https", () => {
  it("speaks TLS on the network, shows plain HTTP only how to trust it, and gives the certificate out", async () => {
    const data = mkdtempSync(path.join(tmpdir(), "lantern-https-"));
    const program = await startServer({ data, args: ["--https"] });
    try {
      const home = await (await fetch(program.address)).text();
      const eveningId = /\/evening\/([\w-]+)/u.exec(home)![1]!;
      const opened = await fetch(`${program.address}/api/network`, {
        method: "POST",
        headers: { "content-type": "application/json" },
        body: JSON.stringify({ act: "open", eveningId, passphrase: "lamp and rope" }),
      });
      expect(await opened.json()).toMatchObject({ open: true, secure: true });
      const port = program.port + 1;
      const plain = await fetch(`http://127.0.0.1:${port}/live/${eveningId}`, { redirect: "manual" });
      expect([plain.status, plain.headers.get("location")]).toEqual([303, "/join/trust"]);
      expect(await (await fetch(`http://127.0.0.1:${port}/join/trust`)).text()).toContain(
        "Fetch the certificate",
      );
      const trusted = await (await fetch(`http://127.0.0.1:${port}/lantern-ca.crt`)).text();
      const page = (place: string) =>
        new Promise<{ status: number; text: string }>((resolve, reject) => {
          get({ host: "127.0.0.1", port, path: place, ca: trusted, agent: false }, (response) => {
            let text = "";
            response.on("data", (chunk) => {
              text += chunk;
            });
            response.on("end", () => resolve({ status: response.statusCode ?? 0, text }));
          }).on("error", reject);
        });
      expect(await page("/join")).toMatchObject({
        status: 200,
        text: expect.stringContaining("Join the evening"),
      });
      expect((await page(`/live/${eveningId}`)).status).toBe(303);
      const key = statSync(path.join(data, "authority", "key.pem"));
      expect(key.mode & 0o077).toBe(0);
      // The certificate that phones have come to trust is the same after a restart.
      await program.stop();
      const again = await startServer({ data, args: ["--https"], port: program.port });
      expect(await (await fetch(`http://127.0.0.1:${port}/lantern-ca.crt`)).text()).toBe(trusted);
      await again.stop();
    } finally {
      await program.stop();
      rmSync(data, { recursive: true, force: true });
    }
  });
});

describe("the QR code", () => {
  it("is read back as the address and the code, however it is drawn", () => {
    for (const text of ["http://192.168.7.20:3211/join#K7FQ4M", "https://10.0.0.200:65534/join#AAAAAA"]) {
      const { modules } = QRCode.create(text, { errorCorrectionLevel: "M" });
      const [quiet, dots] = [4, 5];
      const side = (modules.size + 2 * quiet) * dots;
      const pixels = new Uint8ClampedArray(side * side * 4).fill(255);
      for (let y = 0; y < side; y++)
        for (let x = 0; x < side; x++) {
          const [column, row] = [Math.floor(x / dots) - quiet, Math.floor(y / dots) - quiet];
          const inside = column >= 0 && row >= 0 && column < modules.size && row < modules.size;
          if (inside && modules.data[row * modules.size + column])
            pixels.fill(0, (y * side + x) * 4, (y * side + x) * 4 + 3);
        }
      const read = (jsQR as unknown as { default?: typeof jsQR }).default ?? jsQR;
      expect(read(pixels, side, side)?.data).toBe(text);
    }
  });
});
