/** The longer side of a picture as it is sent, in points, and how good it is kept. */
const SIDE = 1600;
const QUALITY = 0.82;
const MOST_BYTES = 60_000_000;

/** A picture small enough for a weak link, upright, with nothing in it but what is seen. Throws with a sentence. */
export async function shrink(file: File): Promise<Blob> {
  if (file.size > MOST_BYTES) throw new Error("That file is larger than 60 MB, far more than a picture needs.");
  let seen: ImageBitmap;
  try {
    seen = await createImageBitmap(file, { imageOrientation: "from-image" });
  } catch {
    throw new Error("That is no picture that can be read here: take a JPEG, PNG or WebP.");
  }
  const scale = Math.min(1, SIDE / Math.max(seen.width, seen.height));
  const canvas = document.createElement("canvas");
  canvas.width = Math.max(1, Math.round(seen.width * scale));
  canvas.height = Math.max(1, Math.round(seen.height * scale));
  const pen = canvas.getContext("2d");
  if (pen) {
    pen.fillStyle = "#fff";
    pen.fillRect(0, 0, canvas.width, canvas.height);
    pen.drawImage(seen, 0, 0, canvas.width, canvas.height);
  }
  seen.close();
  const small = await new Promise<Blob | null>((settle) => canvas.toBlob(settle, "image/jpeg", QUALITY));
  if (!pen || !small) throw new Error("This browser can’t make that picture smaller.");
  return small;
}
