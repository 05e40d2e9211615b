/** A bare unlit textured lathe in WebGL: what the product's own views are held against. */
export class BareLathe {
  private readonly gl: WebGL2RenderingContext;
  private readonly turn: WebGLUniformLocation;
  private readonly count: number;

  constructor(side: number, texture: OffscreenCanvas) {
    const gl = new OffscreenCanvas(side, side).getContext('webgl2', { antialias: true })!;
    this.gl = gl;
    const program = gl.createProgram();
    for (const [kind, source] of [
      [gl.VERTEX_SHADER, VERTEX],
      [gl.FRAGMENT_SHADER, FRAGMENT],
    ] as const) {
      const shader = gl.createShader(kind)!;
      gl.shaderSource(shader, source);
      gl.compileShader(shader);
      gl.attachShader(program, shader);
    }
    gl.linkProgram(program);
    gl.useProgram(program);
    const points = lathePoints();
    this.count = points.length / 5;
    gl.bindBuffer(gl.ARRAY_BUFFER, gl.createBuffer());
    gl.bufferData(gl.ARRAY_BUFFER, points, gl.STATIC_DRAW);
    for (const [at, size, from] of [
      [0, 3, 0],
      [1, 2, 12],
    ] as const) {
      gl.enableVertexAttribArray(at);
      gl.vertexAttribPointer(at, size, gl.FLOAT, false, 20, from);
    }
    gl.bindTexture(gl.TEXTURE_2D, gl.createTexture());
    gl.texImage2D(gl.TEXTURE_2D, 0, gl.RGBA, gl.RGBA, gl.UNSIGNED_BYTE, texture);
    gl.texParameteri(gl.TEXTURE_2D, gl.TEXTURE_MIN_FILTER, gl.LINEAR);
    gl.texParameteri(gl.TEXTURE_2D, gl.TEXTURE_WRAP_S, gl.CLAMP_TO_EDGE);
    gl.texParameteri(gl.TEXTURE_2D, gl.TEXTURE_WRAP_T, gl.CLAMP_TO_EDGE);
    gl.enable(gl.DEPTH_TEST);
    this.turn = gl.getUniformLocation(program, 'turn')!;
  }

  /** Draws a frame, and waits until its pixels are there. */
  frame(turn: number): void {
    const { gl } = this;
    gl.clear(gl.COLOR_BUFFER_BIT | gl.DEPTH_BUFFER_BIT);
    gl.uniform1f(this.turn, turn);
    gl.drawArrays(gl.TRIANGLES, 0, this.count);
    gl.readPixels(0, 0, 1, 1, gl.RGBA, gl.UNSIGNED_BYTE, new Uint8Array(4));
  }
}

const COLUMNS = 96;

/** A wall and the inside of a mug that takes up about as much of the picture as the products do. */
function lathePoints(): Float32Array {
  const points: number[] = [];
  for (const radius of [0.62, 0.58]) {
    for (let i = 0; i < COLUMNS; i++) {
      const corner = (u: number, v: number) => {
        const angle = 2 * Math.PI * u;
        points.push(radius * Math.sin(angle), 1.6 * (0.5 - v), radius * Math.cos(angle), u, v);
      };
      const [a, b] = [i / COLUMNS, (i + 1) / COLUMNS];
      for (const [u, v] of [
        [a, 0],
        [a, 1],
        [b, 0],
        [b, 0],
        [a, 1],
        [b, 1],
      ] as const)
        corner(u, v);
    }
  }
  return new Float32Array(points);
}

const VERTEX = `#version 300 es
layout(location = 0) in vec3 at; layout(location = 1) in vec2 place; uniform float turn; out vec2 where;
void main() {
  float c = cos(turn), s = sin(turn);
  vec3 p = vec3(at.x * c + at.z * s, at.y, at.z * c - at.x * s);
  p = vec3(p.x, p.y * 0.98 - p.z * 0.19, p.z * 0.98 + p.y * 0.19);
  float deep = 6.0 - p.z;
  gl_Position = vec4(p.xy * 6.0, (deep - 5.0) / 2.0 * deep - deep * 0.5, deep);
  where = place;
}`;
const FRAGMENT = `#version 300 es
precision highp float; uniform sampler2D print; in vec2 where; out vec4 colour;
void main() { colour = texture(print, where); }`;
