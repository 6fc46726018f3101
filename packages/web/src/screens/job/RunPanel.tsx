import { ChevronsDown, ChevronsUp } from 'lucide-react';
import { memo, Suspense, useCallback, useState } from 'react';
import type { Place } from '../../drawing/run/run-drawing.ts';
import { loadable } from '../../components/loadable.tsx';
import { CompactStrip } from '../../drawing/run/CompactStrip.tsx';
import { useAssessment, useJob } from '../../session/session-context.tsx';
import { Readings } from './Readings.tsx';
import type { JobView } from './use-job-view.ts';
import type { useStrip } from './use-strip.ts';

// an edit is drawn by those who follow the job, not by the whole page
const Strip = loadable(() => import('../../drawing/run/RunStrip.tsx').then((m) => memo(m.RunStrip)));
const AddPart = loadable(() => import('../run/AddPart.tsx').then((m) => m.AddPart));
export const preloadRun = Strip.preload;
const OneLine = memo(CompactStrip);
const Figures = memo(Readings);

interface RunPanelProps {
  readonly view: JobView;
  readonly strip: ReturnType<typeof useStrip>;
  onWorking(key: string): void;
}

/** What the run has at the chosen point, and the run itself: whole, or in one line. */
export function RunPanel({ view, strip, onWorking }: RunPanelProps) {
  const assessment = useAssessment();
  const latest = useJob();
  const job = assessment?.findings.asLeft ?? latest; // drawn once for an edit, with what it leads to
  const { isOpen, isNarrow } = strip;
  const [pressed, setPressed] = useState<{ readonly joint: string; readonly at: Place }>();
  const onJoint = useCallback((joint: string, at: Place) => setPressed({ joint, at }), []);
  const hasRun = Object.keys(job.parts).length > 0;
  return (
    <div className="no-print border-b border-hair bg-sheet">
      <div className="flex items-stretch">
        <Figures
          job={job}
          assessment={assessment}
          point={view.point}
          isWide={isOpen && !isNarrow}
          onPoint={view.setPoint}
          onWorking={onWorking}
        />
        {!isOpen && !isNarrow && (
          <div className="flex min-w-0 flex-1 items-center overflow-x-auto overflow-y-hidden px-2">
            {hasRun ? (
              <OneLine
                job={job}
                assessment={assessment}
                selected={view.part}
                onChoose={view.choosePart}
                onOpen={view.selectPart}
              />
            ) : (
              <NoRun view={view} />
            )}
          </div>
        )}
        <button
          className="quiet ml-auto flex min-w-11 shrink-0 items-center justify-center self-stretch"
          aria-expanded={isOpen}
          aria-label={isOpen ? 'Fold the run into one line' : 'Draw the whole run'}
          title={`${isOpen ? 'Fold the run' : 'Draw the whole run'} (o)`}
          onClick={strip.flip}
        >
          {isOpen ? <ChevronsUp size={18} aria-hidden /> : <ChevronsDown size={18} aria-hidden />}
        </button>
      </div>
      {isOpen &&
        (hasRun ? (
          <div className="border-t border-hair">
            <Suspense fallback={<p className="h-44 p-4 text-ink-soft">Drawing the run …</p>}>
              <Strip
                job={job}
                assessment={assessment}
                point={view.point}
                selected={view.part}
                onSelect={view.selectPart}
                onJoint={onJoint}
                over={
                  pressed && (
                    <Suspense fallback={null}>
                      <AddPart
                        spot={{ joint: pressed.joint }}
                        label="Put a part into this joint"
                        onAdded={view.selectPart}
                        pinned={{ x: pressed.at[0], y: pressed.at[1], onClose: () => setPressed(undefined) }}
                      />
                    </Suspense>
                  )
                }
              />
            </Suspense>
          </div>
        ) : (
          <div className="border-t border-hair px-5 py-6">
            <NoRun view={view} />
          </div>
        ))}
    </div>
  );
}

function NoRun({ view }: { view: JobView }) {
  return (
    <p className="text-[0.93rem] leading-tight text-ink-soft">
      There is no run yet. Fill in the brief, then{' '}
      <button className="underline" onClick={() => view.goTo('layout')}>
        choose a layout
      </button>
      : Endrel lays the run out from it.
    </p>
  );
}
