/** What a thread is asked for to weigh a song: no engine has that name. */
export const WEIGHS = "weigh a song";
