"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import { call, makeEvening } from "@/api";
import { useReady } from "@/ui/use-ready";

/** Makes an evening and goes to its running order. */
export function NewEvening() {
  const router = useRouter();
  const ready = useReady();
  const [problem, setProblem] = useState("");
  const make = async () => {
    const made = await call(makeEvening, { sent: {} });
    if (made.ok) router.push(`/evening/${made.answer.id}`);
    else setProblem("No evening was made: the server did not answer as it should. Try again.");
  };
  return (
    <>
      <button type="button" className="btn" disabled={!ready} onClick={() => void make()}>
        New evening
      </button>
      {problem && <span role="alert">{problem}</span>}
    </>
  );
}
