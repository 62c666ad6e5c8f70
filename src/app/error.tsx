"use client";

export default function PageError({ reset }: { error: Error; reset: () => void }) {
  return (
    <main className="mx-auto max-w-xl px-6 py-20">
      <h1 className="text-2xl">Bexlo could not show this page</h1>
      <p className="mt-2">
        Nothing was written. The database may be away for a moment. Try again; if it stays so, tell the
        clinic's admin.
      </p>
      <button type="button" onClick={reset} className="btn btn-primary mt-4">
        Try again
      </button>
    </main>
  );
}
