/* Hands the sound of the microphone on to the page, in pieces of about 40 ms. Runs in the browser’s audio thread. */
class TapRecorder extends AudioWorkletProcessor {
  constructor() {
    super();
    this.piece = new Float32Array(Math.round(sampleRate * 0.04));
    this.filled = 0;
  }

  process([input]) {
    const samples = input[0];
    if (!samples) return true;
    for (const value of samples) {
      this.piece[this.filled] = value;
      this.filled += 1;
      if (this.filled === this.piece.length) {
        this.port.postMessage(this.piece.slice());
        this.filled = 0;
      }
    }
    return true;
  }
}

registerProcessor('tap-recorder', TapRecorder);
