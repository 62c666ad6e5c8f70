const EVERY_MS = 50;

/** One moment of a device: seconds, and a number per column. */
export type Sample = Record<string, number> & { timeS: number };

/**
 * A device's samples as server-sent events in real time: `samples` with one array per column, about twenty a second,
 * then `end`. Stops when the reader goes away.
 */
export function sampleStream(samples: Generator<Sample>, gone: AbortSignal): Response {
  const encoder = new TextEncoder();
  const started = performance.now();
  let waiting = samples.next();
  const stream = new ReadableStream({
    start(controller) {
      const stop = () => {
        clearInterval(timer);
        try {
          controller.close();
        } catch {
          // the reader went away first
        }
      };
      const timer = setInterval(() => {
        // catches up with wall time, so that a late timer loses no samples
        const nowS = (performance.now() - started) / 1000;
        const batch: Record<string, number[]> = {};
        while (!waiting.done && waiting.value.timeS <= nowS) {
          for (const [column, value] of Object.entries(waiting.value)) {
            batch[column] ??= [];
            batch[column].push(Number(value.toFixed(column === "timeS" ? 4 : 2)));
          }
          waiting = samples.next();
        }
        if (batch.timeS?.length)
          controller.enqueue(encoder.encode(`event: samples\ndata: ${JSON.stringify(batch)}\n\n`));
        if (waiting.done) {
          controller.enqueue(encoder.encode("event: end\ndata: {}\n\n"));
          stop();
        }
      }, EVERY_MS);
      gone.addEventListener("abort", stop);
    },
  });
  return new Response(stream, {
    headers: {
      "content-type": "text/event-stream; charset=utf-8",
      "cache-control": "no-cache, no-transform",
    },
  });
}
