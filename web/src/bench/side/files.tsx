import { useQuery } from "@tanstack/react-query";
import styled from "styled-components";
import { api } from "../../api/client";
import { useSight } from "../../house/useSight";
import { Download } from "../../kit/Download";
import { LengthField } from "../../kit/LengthField";
import { Plain } from "../../kit/Plain";
import { FIGURES } from "../../look/look";
import { Side } from "../Side";
import type { SideProps } from "../sides";

const List = styled.ul`
  margin: 0;
  padding: 0;
  list-style: none;
  li { padding: 6px 0; border-bottom: 1px solid var(--faint); }
  a { font: 600 16px/1.2 ${FIGURES}; }
  small { display: block; font-size: 13.5px; color: var(--soft); }
`;

/** What can be taken away: the sheet to print, tables, and the house itself. */
export default function Files({ onClose, onOpen }: SideProps) {
  const { house, plan } = useSight();
  const { data } = useQuery({ queryKey: ["files"], queryFn: api.files, staleTime: Infinity });
  const to = (name: string) => `/houses/${encodeURIComponent(house.id)}/${name}`;
  return (
    <Side aria-label="Print and files">
      <h1>Print and files</h1>
      <Plain onPress={onClose}>Back to the step</Plain>
      <List>
        {data?.files.map(({ name, label, about, long }) => (
          <li key={name}>
            {long ? (
              <Download href={to(name)}>{label}</Download>
            ) : (
              <a href={`/api${to(name)}`} download>
                {label}
              </a>
            )}
            <small>{about}</small>
          </li>
        ))}
      </List>
      {data?.beside.map(({ title, measures }) => (
        <section key={title} aria-label={title}>
          <h2>{title}</h2>
          {measures.map((id) => {
            const measure = plan.measures[id];
            return measure && <LengthField key={id} measure={measure} />;
          })}
        </section>
      ))}
      <Plain onPress={() => onOpen("readings")}>Read levels, tapings or pegs in</Plain>
    </Side>
  );
}
