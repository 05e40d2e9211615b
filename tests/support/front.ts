import { createServer, request, type Server } from 'node:http';

/**
 * Stands before a server under one address, as the network does: it can be gone and come back, and pass what comes by as
 * another build's.
 */
export class Front {
  private server: Server | null = null;
  private port = 0;
  /** The build that is passed for another one, and its name. */
  private passed: [string, string] | null = null;

  constructor(private readonly behind: number) {}

  get address(): string {
    return `http://localhost:${this.port}`;
  }

  async come(): Promise<void> {
    this.server = createServer((asked, answer) => {
      const { method, headers } = asked;
      const path = this.passed ? asked.url!.replace(this.passed[1], this.passed[0]) : asked.url;
      // What is rewritten must come whole and not compressed.
      const whole = { 'accept-encoding': '', 'if-none-match': '', 'if-modified-since': '' };
      const sent = request(
        { port: this.behind, host: '127.0.0.1', method, path, headers: { ...headers, ...whole } },
        (got) => {
          const build = got.headers['x-up-fit-build'];
          if (build === this.passed?.[0]) got.headers['x-up-fit-build'] = this.passed?.[1];
          if (path !== '/offline.js' || !this.passed) {
            answer.writeHead(got.statusCode!, got.headers);
            got.pipe(answer);
            return;
          }
          const parts: Buffer[] = [];
          got.on('data', (part: Buffer) => parts.push(part));
          got.on('end', () => {
            delete got.headers['content-length'];
            answer.writeHead(200, { ...got.headers, 'cache-control': 'no-store' });
            answer.end(
              Buffer.concat(parts)
                .toString('utf8')
                .replaceAll(...this.passed!),
            );
          });
        },
      );
      sent.on('error', () => answer.destroy());
      asked.pipe(sent);
    });
    await new Promise<void>((ready) => this.server!.listen(this.port, '127.0.0.1', ready));
    this.port = (this.server.address() as { port: number }).port;
  }

  async go(): Promise<void> {
    const { server } = this;
    this.server = null;
    if (!server) return;
    server.closeAllConnections();
    await new Promise((gone) => server.close(gone));
  }

  pass(build: string, as: string): void {
    this.passed = [build, as];
  }
}
