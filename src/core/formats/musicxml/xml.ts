import { XMLParser } from "fast-xml-parser";
import { fail, ok, type Result } from "../../../base";

/** An element in the order of the file; text stands in `text`. */
export type Element = {
  readonly name: string;
  readonly attributes: Readonly<Record<string, string>>;
  readonly children: readonly Element[];
  readonly text: string;
};

export type XmlProblem = { readonly code: "entities" | "too-deep" | "too-large" | "not-xml" };

const LONGEST_XML = 12_000_000;
const DEEPEST = 60;

/**
 * Parses XML without expanding anything: a document that declares entities is refused, as is one that is nested
 * deeper than music ever is.
 */
export function parseXml(text: string): Result<Element, XmlProblem> {
  if (text.length > LONGEST_XML) return fail({ code: "too-large" });
  if (/<!ENTITY|<!DOCTYPE[^<>[]*\[/iu.test(text)) return fail({ code: "entities" });
  if (depthOf(text) > DEEPEST) return fail({ code: "too-deep" });
  try {
    const parser = new XMLParser({
      preserveOrder: true,
      ignoreAttributes: false,
      attributeNamePrefix: "",
      processEntities: false,
      parseTagValue: false,
      parseAttributeValue: false,
      trimValues: true,
      ignoreDeclaration: true,
      ignorePiTags: true,
    });
    const [root] = elementsOf(parser.parse(text));
    return root ? ok(root) : fail({ code: "not-xml" });
  } catch {
    return fail({ code: "not-xml" });
  }
}

/** How deep tags are nested, by a plain walk over the text. */
function depthOf(text: string): number {
  let depth = 0;
  let deepest = 0;
  for (const match of text.matchAll(/<(\/?)[A-Za-z][^<>]*?(\/?)>/gu)) {
    if (match[1] === "/") depth--;
    else if (match[2] !== "/") deepest = Math.max(deepest, ++depth);
    if (deepest > DEEPEST) break;
  }
  return deepest;
}

type Parsed = Readonly<Record<string, unknown>>;

const isParsed = (value: unknown): value is Parsed => typeof value === "object" && value !== null;

function elementsOf(nodes: unknown): Element[] {
  if (!Array.isArray(nodes)) return [];
  return nodes.filter(isParsed).flatMap((node) => {
    const name = Object.keys(node).find((key) => key !== ":@" && key !== "#text");
    if (name === undefined) return [];
    const content = node[name];
    const raw = node[":@"];
    const attributes = isParsed(raw) ? attributesOf(raw) : NO_ATTRIBUTES;
    let text = "";
    if (Array.isArray(content))
      for (const one of content) if (isParsed(one) && "#text" in one) text += String(one["#text"]);
    return [{ name, attributes, children: elementsOf(content), text: decode(text).trim() }];
  });
}

const NO_ATTRIBUTES: Element["attributes"] = Object.freeze({});
const attributesOf = (raw: Parsed): Element["attributes"] =>
  Object.fromEntries(Object.entries(raw).map(([key, value]) => [key, decode(String(value))]));

const NAMED: Readonly<Record<string, string>> = Object.freeze({
  amp: "&",
  lt: "<",
  gt: ">",
  quot: '"',
  apos: "'",
});

/** The five names and numbers XML always knows; nothing else is expanded. Control signs become spaces. */
function decode(text: string): string {
  if (!/[&\p{Cc}\p{Cs}]/u.test(text)) return text;
  return text
    .replaceAll(/[\p{Cc}\p{Cs}]/gu, " ")
    .replaceAll(/&(?:#(\d{1,7})|#x([\da-f]{1,6})|(amp|lt|gt|quot|apos));/giu, (whole, dec, hex, name) => {
      if (name) return NAMED[String(name).toLowerCase()] ?? whole;
      const code = dec ? Number(dec) : Number.parseInt(hex, 16);
      return code > 31 && code <= 0x10ffff && !(code >= 0xd800 && code <= 0xdfff)
        ? String.fromCodePoint(code)
        : " ";
    });
}

export const childOf = (element: Element | undefined, name: string): Element | undefined =>
  element?.children.find((child) => child.name === name);
export const childrenOf = (element: Element | undefined, name: string): Element[] =>
  element?.children.filter((child) => child.name === name) ?? [];
export const textOf = (element: Element | undefined, name: string): string =>
  childOf(element, name)?.text ?? "";
/** A number in an element, or null. */
export function numberOf(element: Element | undefined, name: string): number | null {
  const text = textOf(element, name);
  const value = Number(text);
  return text !== "" && Number.isFinite(value) ? value : null;
}
