import styled from "styled-components";
import type { Remedy, Verdict } from "../api/client";
import { LevelSign, LevelWords } from "../kit/LevelSign";
import { Words } from "../kit/Words";
import { FIGURES } from "../look/look";
import { RemedyList } from "./Remedies";

const Judged = styled.ul`
  margin: 0;
  padding: 0;
  list-style: none;
  display: grid;
  gap: 9px;
  > li > button {
    display: grid;
    grid-template-columns: 26px 1fr;
    gap: 8px;
    padding: 0;
    border: 0;
    background: none;
    text-align: left;
    font-size: 14.5px;
    line-height: 1.32;
    cursor: pointer;
  }
  b { font: 600 16px/1.2 ${FIGURES}; }
`;

/** Judgements in words; pressed, each shows its part, and one that doesn't hold has its ways out below it. */
export function VerdictList({ verdicts, remedies, onShow }: { verdicts: Verdict[]; remedies: Remedy[]; onShow: (part: string) => void }) {
  if (verdicts.length === 0) return null;
  return (
    <Judged aria-label="Verdicts">
      {verdicts.map((verdict) => (
        <li key={verdict.id} data-verdict={verdict.id} data-level={verdict.level}>
          <button type="button" onClick={() => verdict.part && onShow(verdict.part)}>
            <LevelSign level={verdict.level} size={24} />
            <span>
              <LevelWords verdict={verdict} /> <Words>{verdict.sentence}</Words>
            </span>
          </button>
          {verdict.level !== "holds" && <RemedyList verdict={verdict} remedies={remedies} />}
        </li>
      ))}
    </Judged>
  );
}
