"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { Problem } from "@/ui/form/Problem";
import { send } from "@/ui/send";

/** Takes a machine out of use, or back into it: nothing is deleted. */
export function Retire({ machineId, isRetired }: { machineId: string; isRetired: boolean }) {
  const router = useRouter();
  const [problem, setProblem] = useState<string | null>(null);
  const turn = async () => {
    const sent = await send(
      `/api/machines/${machineId}/retire`,
      { isRetired: !isRetired },
      isRetired ? "The machine is in use again." : "The machine is out of use.",
    );
    if (!sent.ok) return setProblem(sent.problems[0]?.sentence ?? null);
    setProblem(null);
    router.refresh();
  };
  return (
    <div className="text-right">
      <button type="button" className="btn btn-line btn-sm" onClick={turn}>
        {isRetired ? "Back into use" : "Take out of use"}
      </button>
      <Problem sentence={problem} />
    </div>
  );
}
