// Gives what the microphone hears to the page, as it comes. Loaded as an audio worklet.
class Listen extends AudioWorkletProcessor {
  process([input]) {
    const [channel] = input;
    if (channel && channel.length) this.port.postMessage(channel.slice());
    return true;
  }
}
registerProcessor('listen', Listen);
