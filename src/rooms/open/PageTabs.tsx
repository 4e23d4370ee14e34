"use client";

import Link from "next/link";
import { usePathname } from "next/navigation";
import { useOpenSong } from "./open-song";

/** The pages of a room, as links over it. */
export function PageTabs({
  room,
  pages,
}: {
  room: string;
  pages: readonly (readonly [place: string, label: string])[];
}) {
  const { version } = useOpenSong();
  const path = usePathname();
  return (
    <nav aria-label={`Pages of the ${room} room`} className="mb-4">
      <ul className="flex flex-wrap gap-x-5 gap-y-1 border-b border-base-300">
        {pages.map(([place, label]) => {
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
