"use client";

export default function Failure({ error, reset }: { error: Error & { digest?: string }; reset: () => void }) {
  return (
    <main className="mx-auto max-w-xl p-8">
      <h1>This page could not be shown</h1>
      <p className="my-4">
        What was saved is still on disk. Try again; if it stays, restart the program (
        {error.digest ?? error.message}).
      </p>
      <button type="button" className="btn btn-primary" onClick={reset}>
        Try again
      </button>
    </main>
  );
}
