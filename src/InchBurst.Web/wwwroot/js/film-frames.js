// When each frame of a file is shown, from the file's own tables; brought only when a clip is opened.
import { BlobSource, EncodedPacketSink, Input, MATROSKA, MP4, QTFF, WEBM } from "mediabunny";

const READ_AT_ONCE = 400;

/** Times of all frames, in s, in order; tells how much is read, from 0 to 1. */
export async function framesOf(file, told) {
  const input = new Input({ source: new BlobSource(file), formats: [MP4, QTFF, WEBM, MATROSKA] });
  try {
    const track = await input.getPrimaryVideoTrack();
    if (!track) throw new Error("There is no picture in this file.");
    const whole = await track.computeDuration();
    const times = [];
    for await (const packet of new EncodedPacketSink(track).packets(undefined, undefined, { metadataOnly: true })) {
      times.push(packet.timestamp);
      if (times.length % READ_AT_ONCE > 0) continue;
      told(Math.min(1, packet.timestamp / whole));
      await new Promise((go) => { setTimeout(go); });
    }
    return times.sort((a, b) => a - b).filter((t, i, all) => i === 0 || t > all[i - 1]);
  } finally { input.dispose(); }
}
