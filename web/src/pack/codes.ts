import encodeQR from "qr";
import { inParts } from "./parts";

/** For the pack of cards, which is a file by itself: a text as codes to scan, each as SVG. */
export async function codesOf(text: string): Promise<string[]> {
  return (await inParts(text)).map((part) => encodeQR(part, "svg", { ecc: "low", border: 4 }));
}
