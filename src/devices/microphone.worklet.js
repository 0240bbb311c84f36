/** Hands what the microphone hears on, in pieces of a fortieth of a second, to the port it is given. */
class Hand extends AudioWorkletProcessor {
  constructor() {
    super();
    this.piece = new Float32Array(1024);
    this.filled = 0;
    this.to = null;
    this.port.onmessage = (e) => {
      this.to = e.data;
    };
  }

  process(inputs) {
    const samples = inputs[0]?.[0];
    if (!samples) return true;
    for (const x of samples) {
      this.piece[this.filled++] = x;
      if (this.filled < this.piece.length) continue;
      this.to?.postMessage(this.piece);
      this.filled = 0;
    }
    return true;
  }
}

registerProcessor('microphone', Hand);
