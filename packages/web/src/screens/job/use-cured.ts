import { useEffect, useRef, useState } from 'react';
import type { Assessment } from '@endrel/core/assessment/assess';
import { curedBetween, type Cured } from '@endrel/core/assessment/cured';

const SHOWN_FOR = 7000; // ms
const MOST = 8; // a new layout cures more than anybody reads

/** Snags that were cured a moment ago, for them to fade where they stood. */
export function useCured(assessment: Assessment | undefined): readonly Cured[] {
  const last = useRef(assessment);
  const [cured, setCured] = useState<readonly Cured[]>([]);
  useEffect(() => {
    const before = last.current;
    last.current = assessment;
    if (!before || !assessment || before === assessment) return;
    const now = curedBetween(before, assessment).slice(0, MOST);
    if (now.length === 0) return;
    setCured((then) => [...then.filter((c) => !now.some((n) => n.snag.id === c.snag.id)), ...now]);
    setTimeout(() => setCured((then) => then.filter((c) => !now.includes(c))), SHOWN_FOR);
  }, [assessment]);
  return cured;
}
