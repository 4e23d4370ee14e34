import { generateKeyPairSync, randomBytes } from "node:crypto";
import { existsSync, mkdirSync, readFileSync, writeFileSync } from "node:fs";
import path from "node:path";
import forge from "node-forge";

const { asn1, pki } = forge;
/** A private key and its certificate, as PEM. */
export type Certificate = { readonly key: string; readonly cert: string };

const DAY_MS = 86_400_000;
/** Phones take no server's certificate that lasts longer than 398 days; common practice, no source. */
const SERVER_DAYS = 390;
const AUTHORITY_DAYS = 3650;

/** Private address ranges (RFC 1918), loopback and link-local: the authority may speak for these and this machine's own. */
const PRIVATE_RANGES: readonly (readonly [address: string, mask: string])[] = [
  ["10.0.0.0", "255.0.0.0"],
  ["172.16.0.0", "255.240.0.0"],
  ["192.168.0.0", "255.255.0.0"],
  ["169.254.0.0", "255.255.0.0"],
  ["127.0.0.0", "255.0.0.0"],
];

const numbersOf = (address: string): number[] => address.split(".").map(Number);
const bytesOf = (address: string): string => String.fromCharCode(...numbersOf(address));
const isPrivate = (address: string): boolean =>
  PRIVATE_RANGES.some(([range, mask]) =>
    numbersOf(mask).every((bits, at) => ((numbersOf(address)[at] ?? 0) & bits) === numbersOf(range)[at]),
  );

/** Keys as PEM; Node makes them, the certificates are written with node-forge. */
const newKeys = () =>
  generateKeyPairSync("rsa", {
    modulusLength: 2048,
    publicKeyEncoding: { type: "spki", format: "pem" },
    privateKeyEncoding: { type: "pkcs8", format: "pem" },
  });

function begun(publicKey: string, days: number, now: number): forge.pki.Certificate {
  const made = pki.createCertificate();
  made.publicKey = pki.publicKeyFromPem(publicKey);
  // Positive, and never twice.
  made.serialNumber = `01${randomBytes(15).toString("hex")}`;
  made.validity.notBefore = new Date(now - DAY_MS);
  made.validity.notAfter = new Date(now + days * DAY_MS);
  return made;
}

/** What the authority may speak for (RFC 5280, 4.2.1.10): private addresses, this machine's own, and its names. */
function constraints(names: readonly string[], own: readonly string[]): string {
  const context = (tag: number, constructed: boolean, value: string | forge.asn1.Asn1[]) =>
    asn1.create(asn1.Class.CONTEXT_SPECIFIC, tag, constructed, value);
  const subtree = (tag: number, value: string) =>
    asn1.create(asn1.Class.UNIVERSAL, asn1.Type.SEQUENCE, true, [context(tag, false, value)]);
  const permitted = [
    ...PRIVATE_RANGES.map(([address, mask]) => subtree(7, bytesOf(address) + bytesOf(mask))),
    ...own.map((address) => subtree(7, bytesOf(address) + bytesOf("255.255.255.255"))),
    ...names.map((name) => subtree(2, name)),
  ];
  return asn1
    .toDer(asn1.create(asn1.Class.UNIVERSAL, asn1.Type.SEQUENCE, true, [context(0, true, permitted)]))
    .getBytes();
}

/** A certificate authority for this machine alone. @param own addresses of it that lie in no private range */
export function makeAuthority(
  names: readonly string[],
  own: readonly string[] = [],
  now = Date.now(),
): Certificate {
  const { publicKey, privateKey } = newKeys();
  const made = begun(publicKey, AUTHORITY_DAYS, now);
  const subject = [{ name: "commonName", value: `Shared Lantern on ${names[0]}` }];
  made.setSubject(subject);
  made.setIssuer(subject);
  made.setExtensions([
    { name: "basicConstraints", critical: true, cA: true, pathLenConstraint: 0 },
    { name: "keyUsage", critical: true, keyCertSign: true, cRLSign: true },
    { name: "subjectKeyIdentifier" },
    { id: "2.5.29.30", critical: true, value: constraints(names, own) },
  ]);
  made.sign(pki.privateKeyFromPem(privateKey), forge.md.sha256.create());
  return { key: privateKey, cert: pki.certificateToPem(made) };
}

/** A certificate for the server's names and addresses, signed by the authority. */
export function makeServerCertificate(
  authority: Certificate,
  names: readonly string[],
  addresses: readonly string[],
  now = Date.now(),
): Certificate {
  const issuer = pki.certificateFromPem(authority.cert);
  const { publicKey, privateKey } = newKeys();
  const made = begun(publicKey, SERVER_DAYS, now);
  made.setSubject([{ name: "commonName", value: names[0] }]);
  made.setIssuer(issuer.subject.attributes);
  made.setExtensions([
    { name: "basicConstraints", critical: true, cA: false },
    { name: "keyUsage", critical: true, digitalSignature: true, keyEncipherment: true },
    { name: "extKeyUsage", serverAuth: true },
    {
      name: "subjectAltName",
      altNames: [...names.map((value) => ({ type: 2, value })), ...addresses.map((ip) => ({ type: 7, ip }))],
    },
    { name: "subjectKeyIdentifier" },
    { name: "authorityKeyIdentifier", keyIdentifier: issuer.generateSubjectKeyIdentifier().getBytes() },
  ]);
  made.sign(pki.privateKeyFromPem(authority.key), forge.md.sha256.create());
  return { key: privateKey, cert: pki.certificateToPem(made) };
}

/**
 * The authority of a data folder, made once and readable by its owner alone. When the machine's name has changed, or it has
 * an address in no private range, it may not speak for that: another is made then, and phones must trust that one.
 * @returns the authority, and in `file` the certificate phones are given
 */
export function authorityIn(
  folder: string,
  names: readonly string[],
  addresses: readonly string[],
): Certificate & { readonly file: string } {
  const place = path.join(folder, "authority");
  const files = {
    key: path.join(place, "key.pem"),
    cert: path.join(place, "lantern-ca.crt"),
    names: path.join(place, "names"),
  };
  const own = addresses.filter((address) => !isPrivate(address));
  const wanted = [...names, ...own].join("\n");
  if (Object.values(files).every(existsSync) && readFileSync(files.names, "utf8") === wanted)
    return { key: readFileSync(files.key, "utf8"), cert: readFileSync(files.cert, "utf8"), file: files.cert };
  mkdirSync(place, { recursive: true, mode: 0o700 });
  const made = makeAuthority(names, own);
  writeFileSync(files.key, made.key, { mode: 0o600 });
  writeFileSync(files.cert, made.cert);
  writeFileSync(files.names, wanted);
  return { ...made, file: files.cert };
}
