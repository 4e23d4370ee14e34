import { z } from "zod";

export const anything = z.unknown();
