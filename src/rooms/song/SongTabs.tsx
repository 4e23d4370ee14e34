"use client";

import Link from "next/link";
import { usePathname } from "next/navigation";
import { useOpenSong } from "../document";

const PAGES = [
  ["", "The sheet"],
  ["/versions", "Versions and history"],
  ["/evidence", "Evidence: sources compared"],
] as const;

/** The pages of the Song room. */
export function SongTabs() {
  const { version } = useOpenSong();
  const path = usePathname();
  return (
    <nav aria-label="Pages of the Song room" className="mb-4">
      <ul className="flex flex-wrap gap-x-5 gap-y-1 border-b border-base-300">
        {PAGES.map(([place, label]) => {
          const href = `/song/${version.id}${place}`;
          const here = path === href;
          return (
            <li key={label}>
              <Link
                href={href}
                aria-current={here ? "page" : undefined}
                className={`inline-block pb-1 ${here ? "border-b-4 border-base-content font-bold" : "hover:underline"}`}
              >
                {label}
              </Link>
            </li>
          );
        })}
      </ul>
    </nav>
  );
}
