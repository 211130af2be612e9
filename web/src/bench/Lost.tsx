import { Link } from "react-router";
import styled from "styled-components";

const Place = styled.main`
  max-width: 34em;
  margin: 18vh auto 0;
  padding: 0 20px;
  display: grid;
  gap: 14px;
`;

/** Nothing stands where the address points. */
export function Lost({ sentence = "There is nothing at this address." }: { sentence?: string }) {
  return (
    <Place>
      <h1>No house here</h1>
      <p>{sentence}</p>
      <p>
        <Link to="/">Back to the yard</Link>
      </p>
    </Place>
  );
}
