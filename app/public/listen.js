// Gives what the microphone hears to the page, a piece at a time. Loaded as an audio worklet.
const PIECE = 4096;
class Listen extends AudioWorkletProcessor {
  constructor() {
    super();
    this.piece = new Float32Array(PIECE);
    this.filled = 0;
  }
  process([input]) {
    const [channel] = input;
    if (!channel || !channel.length) return true;
    this.piece.set(channel, this.filled);
    this.filled += channel.length;
    if (this.filled + channel.length > PIECE) {
      const full = this.piece.slice(0, this.filled);
      this.port.postMessage(full, [full.buffer]);
      this.filled = 0;
    }
    return true;
  }
}
registerProcessor('listen', Listen);
