import type { Metadata, Viewport } from "next";
import { connection } from "next/server";
import type { ReactNode } from "react";
import { Frame } from "@/rooms/frame/Frame";
import "./globals.css";

export const metadata: Metadata = {
  title: { default: "Shared Lantern", template: "%s · Shared Lantern" },
  description: "A song goes in once, and every player gets their own part of it.",
};

export const viewport: Viewport = { width: "device-width", initialScale: 1 };

export default async function RootLayout({ children }: { children: ReactNode }) {
  // A page that was made at build time could not carry the nonce of an answer.
  await connection();
  return (
    <html lang="en" data-theme="lamplight">
      <body>
        {children}
        <Frame />
      </body>
    </html>
  );
}
