/** Where a window hears of edits: server-sent events of the documents it follows, `?follow=id:revision,…`. */
export const EVENTS_PATH = "/api/events";
