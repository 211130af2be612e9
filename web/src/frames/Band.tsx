import styled from "styled-components";
import type { TriedFrame } from "../api/client";
import { LEVEL_WORDS } from "../kit/LevelSign";

export const Table = styled.table`
  border-collapse: collapse;
  width: 100%;
  font-size: 14.5px;
  th, td { text-align: left; padding: 4px 10px 4px 0; border-bottom: 1px solid var(--faint); vertical-align: middle; }
  th { font-weight: 600; }
  td.bar { width: 34%; min-width: 150px; }
  caption { text-align: left; padding: 2px 0 6px; }
`;
const MOST = 1.6;

/** A share of strength as a band toward the fence that is all of it; `was` is a notch where it was before. */
export function Band({ tried, was }: { tried: TriedFrame; was?: number | null | undefined }) {
  const at = (ratio: number) => (Math.min(ratio, MOST) / MOST) * 200;
  const [ratio, fence] = [tried.ratio ?? 0, at(1)];
  return (
    <svg viewBox="0 0 204 20" width="100%" height="20" role="img" aria-label={tried.uses || LEVEL_WORDS[tried.level]} preserveAspectRatio="none">
      <rect x="0" y="4" width={at(Math.min(ratio, 1))} height="12" fill="var(--board)" stroke="var(--ink)" />
      {ratio > 1 && <rect x={fence} y="4" width={at(ratio) - fence} height="12" fill="var(--ink)" />}
      <path d={`M${fence} 0V20`} stroke="var(--ink)" strokeWidth="1.4" strokeDasharray="4 2" />
      {was !== undefined && was !== null && <path d={`M${at(was)} 1V19`} stroke="var(--soft)" strokeWidth="2.4" />}
    </svg>
  );
}
