// The state of the workshop, loaded once a request however many components ask.

import { cache } from "react";
import { loadState } from "@/server/planning";

export const getState = cache(loadState);
