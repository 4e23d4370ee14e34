"use client";

import { usePathname, useRouter } from "next/navigation";
import type { NamesChoice } from "@/core/song/names";
import { NamesSwitch } from "./NamesSwitch";
import { queryOf } from "./query";

/** The switch of a page the server makes, a stage or a print: the page is made anew in the names that are chosen. */
export function PageNames({ choice }: { choice: NamesChoice }) {
  const router = useRouter();
  const path = usePathname();
  return (
    <NamesSwitch
      choice={choice}
      players={[]}
      onChoose={(fields) => router.replace(`${path}${queryOf({ ...choice, ...fields })}`, { scroll: false })}
    />
  );
}
