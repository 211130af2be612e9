import { useEffect, useRef, useState } from "react";
import styled from "styled-components";
import { Plain, Press } from "../kit/Plain";
import { Gathering } from "../pack/parts";

const Seen = styled.div`
  display: grid;
  gap: 8px;
  justify-items: start;
  video { width: min(100%, 420px); border: 2px solid var(--ink); background: #000; }
`;
/** How wide a picture is looked at, in points, and how long until the next one, ms. */
const WIDE = 800;
const LOOK_MS = 120;

/** Reads the codes that a pack shows, by this machine's camera. */
export function Scan({ onText }: { onText: (text: string) => void }) {
  const [on, setOn] = useState(false);
  const [wrong, setWrong] = useState("");
  const done = (text: string) => {
    setOn(false);
    onText(text);
  };
  if (!on) {
    return (
      <>
        <Press
          onPress={() => {
            setWrong("");
            setOn(true);
          }}
        >
          Scan its codes
        </Press>
        {wrong && <p role="alert">{wrong}</p>}
      </>
    );
  }
  return (
    <Looking
      onText={done}
      onWrong={(sentence) => {
        setOn(false);
        setWrong(sentence);
      }}
      onStop={() => setOn(false)}
    />
  );
}

interface LookingProps {
  onText: (text: string) => void;
  onWrong: (sentence: string) => void;
  onStop: () => void;
}

function Looking(props: LookingProps) {
  const video = useRef<HTMLVideoElement>(null);
  const [said, setSaid] = useState("Asking for the camera");
  const told = useRef(props);
  told.current = props;
  useEffect(() => {
    let stopped = false;
    let stream: MediaStream | null = null;
    const look = async () => {
      const { decodeQR } = await import("qr/decode.js");
      stream = await navigator.mediaDevices.getUserMedia({ video: { facingMode: "environment", width: { ideal: 1280 } } });
      const eye = video.current;
      if (stopped || !eye) return close(stream);
      eye.srcObject = stream;
      await eye.play();
      setSaid("Hold the first code before the camera");
      const canvas = document.createElement("canvas");
      const pen = canvas.getContext("2d", { willReadFrequently: true });
      const gathering = new Gathering();
      while (!stopped && pen) {
        const found = readFrom(eye, canvas, pen, decodeQR);
        if (found && gathering.take(found)) {
          setSaid(`${gathering.count} of ${gathering.of} read${gathering.whole ? "" : ": the next code"}`);
          if (gathering.whole) return told.current.onText(await gathering.text());
        }
        await new Promise((resolve) => setTimeout(resolve, LOOK_MS));
      }
    };
    look().catch((error: unknown) => {
      if (stopped) return;
      const refused = error instanceof DOMException || !navigator.mediaDevices;
      told.current.onWrong(refused ? "No camera can be used here. Bring the file, or paste what the pack gave." : "Those codes can’t be unpacked. Show them again.");
    });
    return () => {
      stopped = true;
      close(stream);
    };
  }, []);
  return (
    <Seen>
      <video ref={video} muted playsInline aria-label="What the camera sees" />
      <p role="status">{said}</p>
      <Plain onPress={props.onStop}>Stop the camera</Plain>
    </Seen>
  );
}

function close(stream: MediaStream | null): void {
  for (const track of stream?.getTracks() ?? []) track.stop();
}

type Decode = typeof import("qr/decode.js").decodeQR;

/** What a code in the picture says; nothing where there is none. */
function readFrom(eye: HTMLVideoElement, canvas: HTMLCanvasElement, pen: CanvasRenderingContext2D, decode: Decode): string {
  if (!eye.videoWidth) return "";
  canvas.width = Math.min(WIDE, eye.videoWidth);
  canvas.height = Math.round((canvas.width * eye.videoHeight) / eye.videoWidth);
  pen.drawImage(eye, 0, 0, canvas.width, canvas.height);
  try {
    return decode(pen.getImageData(0, 0, canvas.width, canvas.height));
  } catch {
    return "";
  }
}
