"use client";

import { useParams } from "next/navigation";
import { useStore } from "zustand";
import { dangerSpot } from "@/core/stage";
import { byOrder } from "@/document";
import { windowNames } from "../names";
import { makeId, useAct, useRows } from "../open";
import { RehearseScreen } from "./RehearseScreen";
import { RehearseTabs } from "./RehearseTabs";
import { useKeep } from "./use-keep";

/** The Rehearse room: the song is heard and its sheet runs with it. */
export function RehearseRoom() {
  const { versionId } = useParams<{ versionId: string }>();
  const { players } = useRows("players");
  const names = useStore(windowNames);
  const keep = useKeep();
  const act = useAct();
  const inOrder = Object.values(players).sort(byOrder);
  return (
    <>
      <h1 className="mb-1">Rehearse</h1>
      <RehearseTabs />
      {inOrder.length === 0 ? (
        <p className="rounded-box bg-base-200 p-4">
          Nobody plays yet: put players in the song in Players, and what they play can be heard here.
        </p>
      ) : (
        <RehearseScreen
          key={versionId}
          where={{ stageId: versionId, versionId }}
          readers={inOrder.map(({ id, name }) => ({ id, name }))}
          names={names}
          onKeep={(kept) => keep({ kind: "part", ...kept })}
          onMark={(passages, { passage, tick }) =>
            act(dangerSpot(passages, { index: passage, tick }, makeId()))
          }
        />
      )}
    </>
  );
}
