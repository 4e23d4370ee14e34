import type { GraphModule } from "./graph";
import {
  BANNED_GLOBALS,
  BANNED_MEMBERS,
  CORE,
  FREE,
  FRONT_DOORS,
  HOUSE,
  INSIDE,
  isForTests,
  PACKAGES,
  type Part,
} from "./house";

const isBelow = (file: string, folder: string): boolean => file === folder || file.startsWith(`${folder}/`);

/** The longest of some folders that a file lies in. */
const longest = (file: string, folders: readonly string[]): string | null =>
  folders.filter((folder) => isBelow(file, folder)).sort((a, b) => b.length - a.length)[0] ?? null;

/** The part of the house a file lies in. */
const partOf = (file: string): Part | null => {
  const folder = longest(file, FOLDERS);
  return HOUSE.find((part) => part.folder === folder) ?? null;
};
const FOLDERS = HOUSE.map(({ folder }) => folder);

const isFree = (file: string): boolean => FREE.some((place) => isBelow(file, place)) || !file.includes("/");

/** The innermost folder with a front door a file lies in. @example doorOf("src/core/song/edit/makers.ts") // => "src/core/song/edit" */
function doorOf(file: string): string | null {
  const doors = FRONT_DOORS.flatMap((door) => {
    if (!door.endsWith("/*")) return isBelow(file, door) ? [door] : [];
    const place = door.slice(0, -2);
    const [name, ...rest] = isBelow(file, place) ? file.slice(place.length + 1).split("/") : [];
    return name !== undefined && rest.length > 0 ? [`${place}/${name}`] : [];
  });
  return doors.sort((a, b) => b.length - a.length)[0] ?? null;
}

/** Whether a file lies higher than another in the same folder of the core. */
function isHigherInside(to: string, from: string): boolean {
  return Object.entries(INSIDE).some(([folder, order]) => {
    const rank = (file: string) =>
      isBelow(file, folder) ? order.indexOf(file.slice(folder.length + 1).split("/")[0]!) : -1;
    return rank(from) >= 0 && rank(to) > rank(from);
  });
}

const isDoor = (file: string, folder: string): boolean =>
  new RegExp(`^${folder}/index\\.tsx?$`, "u").test(file);

/** What is wrong with an import of a file of ours, or null. */
function wrongImport(from: string, to: string): string | null {
  if (isForTests(to) && !isForTests(from) && !isFree(from)) return "is for tests only";
  if (isFree(from)) return null;
  const [a, b] = [partOf(from), partOf(to)];
  if (!a) return "comes from a place the law does not name";
  if (!b && !isForTests(from)) return `lies outside what ${a.folder} may import`;
  if (b && a !== b && !a.from.includes(b.folder) && !isForTests(from)) return `lies above ${a.folder}`;
  const rank = (file: string) => CORE.indexOf(file.split("/")[2] as (typeof CORE)[number]);
  if (isBelow(from, "src/core") && isBelow(to, "src/core") && rank(to) > rank(from))
    return "lies higher in the core";
  if (isHigherInside(to, from) && !isForTests(from)) return "lies higher in its folder of the core";
  const door = doorOf(to);
  const isThin = isBelow(from, "src/app") && isBelow(to, "src/rooms");
  const isSibling =
    door !== null && Object.keys(INSIDE).some((folder) => isBelow(from, folder) && isBelow(to, folder));
  if (door && door !== doorOf(from) && !isSibling && !isDoor(to, door) && !isThin && !isForTests(from))
    return `is inside ${door}, whose front door is its index`;
  return null;
}

const isAllowed = (packages: readonly string[], name: string): boolean =>
  packages.some((allowed) => name === allowed || name.startsWith(`${allowed}/`));

/** Every breach of the law, as a sentence with the file it is in; none where the house stands. */
export function breachesOf(modules: readonly GraphModule[]): string[] {
  const found: string[] = [];
  for (const { file, dependencies, globals } of modules) {
    for (const { name, file: to, isMissing, cycle } of dependencies) {
      if (isMissing) found.push(`${file} imports ${name}, which can't be found`);
      if (cycle.length > 0) found.push(`${file} is in a circle: ${cycle.join(" → ")}`);
      const wrong = to === null ? null : wrongImport(file, to);
      if (wrong) found.push(`${file} imports ${to}, which ${wrong}`);
      const place =
        to === null && !isMissing && !isForTests(file) ? longest(file, Object.keys(PACKAGES)) : null;
      if (place !== null && !isAllowed(PACKAGES[place]!, name))
        found.push(`${file} imports ${name}, a package ${place} may not use`);
    }
    if (isPure(file))
      for (const name of globals)
        if (BANNED_GLOBALS.has(name) || BANNED_MEMBERS.has(name)) found.push(`${file} uses ${name}`);
    if (isBelow(file, "src") && !partOf(file)) found.push(`${file} lies in a folder the law does not name`);
  }
  const cores = modules.map(({ file }) => file).filter((file) => isBelow(file, "src/core"));
  for (const file of cores)
    if (!(CORE as readonly string[]).includes(file.split("/")[2]!))
      found.push(`${file} lies in a folder of the core the law does not name`);
  return found;
}

/** Whether a file must have no clock, no chance and no surroundings. */
const isPure = (file: string): boolean =>
  !isForTests(file) &&
  (isBelow(file, "src/core") ||
    isBelow(file, "src/base") ||
    (isBelow(file, "src/document") && partOf(file)?.folder === "src/document"));
