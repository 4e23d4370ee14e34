/** Next calls this once, before the server takes requests. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== "nodejs" || process.env.NEXT_PHASE === "phase-production-build") return;
  const { start } = await import("./server/start");
  await start();
}
