import type { Schemas } from '../api/client';

type Finding = Pick<Schemas['ShownFinding'], 'value' | 'atLeast' | 'atMost'>;

const steps = [1, 2, 2.5, 5, 10];

/** The end of a ruler and its ticks: a little past whatever lies farthest, in steps that people count in. */
export function rulerScale(finding: Finding): { end: number; ticks: number[] } {
  const farthest = Math.max(finding.value?.high ?? finding.value?.best ?? 0, finding.atMost ?? 0, finding.atLeast ?? 0, 1e-6) * 1.12;
  const rough = farthest / 8;
  const power = 10 ** Math.floor(Math.log10(rough));
  const step = (steps.find((one) => one * power >= rough) ?? 10) * power;
  const count = Math.ceil(farthest / step);
  return { end: count * step, ticks: Array.from({ length: count - 1 }, (_, at) => (at + 1) * step) };
}
