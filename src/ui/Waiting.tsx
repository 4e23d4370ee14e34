import type { ReactNode } from "react";

/** Stands where a page's answer will be and keeps its place: what comes then pushes nothing about. */
export const Waiting = ({ children }: { readonly children: ReactNode }) => (
  <div className="min-h-dvh" role="status">
    {children}
  </div>
);
