/** Told how far a job is, and what it has found so far where it says so. */
type Told = (done: number, of: number, soFar?: unknown) => void;

/** What a thread is asked: an engine by name, and its question. */
export type Job = { readonly engine: string; readonly question: unknown };

/** A thread with the engines in it. */
export type Thread = {
  /** Answers a job; rejects when the engine fails. */
  readonly ask: (job: Job, onProgress: Told) => Promise<unknown>;
  /** Settles, with the reason, when the thread is gone without having been ended. */
  readonly died: Promise<Error>;
  readonly end: () => void;
};

/** A thread was gone before it answered. What it was asked may be asked again. */
export class ThreadDied extends Error {
  constructor(cause: Error) {
    super(cause.message, { cause });
  }
}

/** A job took longer than any may. */
export class TookTooLong extends Error {
  constructor(readonly ms: number) {
    super(`The search took longer than ${ms / 1000} s and was ended.`);
  }
}

/** So many wait already that another would wait too long. */
export class TooBusy extends Error {
  constructor(waiting: number) {
    super(`${waiting} searches wait already. Ask again in a moment.`);
  }
}

/** The clock of a pool: ms now, and something done later unless it is called off. */
export type Timers = {
  readonly now: () => number;
  readonly after: (ms: number, act: () => void) => () => void;
};

export type PoolOptions = {
  readonly start: () => Thread;
  readonly timers: Timers;
  readonly threads: number;
  /**
   * What each job may have of a thread at first while others wait, ms. Then it makes way and is begun again later, with
   * twice as much: so nothing short waits behind what is long, and what is long costs at most twice its time.
   */
  readonly shareMs?: number;
  /** The longest a job may take, from when work on it begins, ms. */
  readonly longestMs?: number;
  /** How long a job that nobody waits for any more may still run before its thread is ended, ms. */
  readonly graceMs?: number;
  /** The most jobs that may wait. */
  readonly mostWaiting?: number;
};

export type AskOptions = {
  readonly signal?: AbortSignal | undefined;
  readonly onProgress?: Told | undefined;
};

type Task = {
  readonly job: Job;
  readonly onProgress: Told | undefined;
  readonly resolve: (answer: unknown) => void;
  readonly reject: (error: unknown) => void;
  /** What it may have of a thread while others wait, ms. */
  shareMs: number;
  isSettled: boolean;
};

/** A task at work, and since when. */
type Run = { readonly task: Task; readonly since: number; readonly callOff: (() => void)[] };

type Place = { thread: Thread | null; run: Run | null };

const nothing = () => {};

/**
 * A few threads and the jobs that wait for them. A thread is started when it is first needed, and again after it died or
 * was ended; one that hangs is ended alone, the others go on.
 */
export class Pool {
  private readonly places: readonly Place[];
  private readonly waiting: Task[] = [];
  private callOffLook = nothing;

  constructor(private readonly options: PoolOptions) {
    this.places = Array.from({ length: options.threads }, () => ({ thread: null, run: null }));
  }

  /**
   * @returns the engine's answer; rejects with what the engine threw, with {@link ThreadDied}, {@link TookTooLong} or
   * {@link TooBusy}, or with the reason of a signal that was given up
   */
  ask(job: Job, { signal, onProgress }: AskOptions = {}): Promise<unknown> {
    return new Promise((resolve, reject) => {
      if (signal?.aborted) return reject(signal.reason);
      const most = this.options.mostWaiting ?? Number.POSITIVE_INFINITY;
      if (this.waiting.length >= most) return reject(new TooBusy(this.waiting.length));
      const settle =
        <Value>(end: (value: Value) => void) =>
        (value: Value) => {
          if (task.isSettled) return;
          task.isSettled = true;
          signal?.removeEventListener("abort", giveUp);
          end(value);
        };
      const task: Task = {
        job,
        onProgress,
        resolve: settle(resolve),
        reject: settle(reject),
        shareMs: this.options.shareMs ?? Number.POSITIVE_INFINITY,
        isSettled: false,
      };
      const giveUp = () => {
        task.reject(signal?.reason);
        this.forget(task);
      };
      signal?.addEventListener("abort", giveUp);
      this.queue(task);
      this.next();
    });
  }

  /** Puts a task where those wait that ask for as short a share, behind them. */
  private queue(task: Task): void {
    const at = this.waiting.findLastIndex(({ shareMs }) => shareMs <= task.shareMs);
    this.waiting.splice(at + 1, 0, task);
  }

  private next(): void {
    for (const place of this.places) {
      if (this.waiting.length === 0) break;
      if (!place.run) this.begin(place, this.waiting.shift()!);
    }
    this.look();
  }

  private begin(place: Place, task: Task): void {
    const { timers, longestMs } = this.options;
    const run: Run = { task, since: timers.now(), callOff: [] };
    place.run = run;
    let thread: Thread;
    try {
      thread = this.threadAt(place);
    } catch (error) {
      this.settled(place, run, () => task.reject(error));
      return;
    }
    if (longestMs !== undefined)
      run.callOff.push(timers.after(longestMs, () => this.end(place, new TookTooLong(longestMs))));
    // Asking may throw at once, when a question can't be sent.
    Promise.resolve()
      .then(() =>
        thread.ask(task.job, (done, of, soFar) => !task.isSettled && task.onProgress?.(done, of, soFar)),
      )
      .then(
        (answer) => this.settled(place, run, () => task.resolve(answer)),
        (error: unknown) => this.settled(place, run, () => task.reject(error)),
      );
  }

  private threadAt(place: Place): Thread {
    if (place.thread) return place.thread;
    const thread = this.options.start();
    place.thread = thread;
    void thread.died.then((reason) => {
      if (place.thread === thread) this.end(place, new ThreadDied(reason));
    });
    return thread;
  }

  /** A run came to its end by itself. Nothing happens when it was ended before. */
  private settled(place: Place, run: Run, tell: () => void): void {
    if (place.run !== run) return;
    this.clear(place);
    tell();
    this.next();
  }

  /** Ends a thread, and with it what it works on: refused with a reason, or without one begun again later. */
  private end(place: Place, reason: Error | null): void {
    place.thread?.end();
    place.thread = null;
    const run = this.clear(place);
    if (run && reason) run.task.reject(reason);
    else if (run && !run.task.isSettled) this.queue(run.task);
    this.next();
  }

  private clear(place: Place): Run | null {
    const { run } = place;
    for (const callOff of run?.callOff ?? []) callOff();
    place.run = null;
    return run;
  }

  /** Nobody waits for a task any more. */
  private forget(task: Task): void {
    const at = this.waiting.indexOf(task);
    if (at >= 0) this.waiting.splice(at, 1);
    const place = this.places.find(({ run }) => run?.task === task);
    place?.run?.callOff.push(
      this.options.timers.after(this.options.graceMs ?? 0, () => this.end(place, null)),
    );
  }

  /** Lets what has had as much of a thread as the first in the queue asks for make way for it, now or when it has. */
  private look(): void {
    this.callOffLook();
    this.callOffLook = nothing;
    const [first] = this.waiting;
    if (!first || !Number.isFinite(first.shareMs)) return;
    const oldest = this.places.reduce((a, b) => ((b.run?.since ?? 0) < (a.run?.since ?? 0) ? b : a));
    if (!oldest.run) return;
    const { run } = oldest;
    const hadMs = this.options.timers.now() - run.since;
    const leftMs = first.shareMs - hadMs;
    if (leftMs > 0) {
      this.callOffLook = this.options.timers.after(leftMs, () => this.look());
      return;
    }
    run.task.shareMs = 2 * Math.max(run.task.shareMs, hadMs);
    this.end(oldest, null);
  }
}
