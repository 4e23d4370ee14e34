import { chromium } from "playwright-core";
import { CHROMIUM, CHROMIUM_ARGS } from "../scripts/lib/browser.mjs";
const browser = await chromium.launch({ executablePath: CHROMIUM, args: [...CHROMIUM_ARGS] });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
const go = await import(new URL(process.argv[2], `file://${process.cwd()}/`).href);
await go.default(page, "http://127.0.0.1:3499");
await browser.close();
