/** Identifiers in an address say who or what; the log says only which kind of address it was. */
const IDS = /\/(?:[0-9a-f]{8}-[0-9a-f-]{27}|\d+)(?=\/|$)/gi;
const routeOf = (address: string): string => {
  const path = address.split('?')[0] ?? '';
  if (path.startsWith('/_next/')) return '/_next';
  return path
    .replace(IDS, '/:id')
    .replace(/\/(items|assets)\/.*$/, '/$1/…')
    .slice(0, 120);
};

/** One line of JSON a request: when, what kind, how it ended, how long it took. No names, no addresses, no answers. */
export function logLine(method: string, address: string, status: number, ms: number): string {
  return JSON.stringify({
    at: new Date().toISOString(),
    method,
    route: routeOf(address),
    status,
    ms: Math.round(ms * 10) / 10,
  });
}

/** What has been answered since the start, for the school's own monitoring (Prometheus text format 0.0.4; from memory). */
export class Metrics {
  private readonly counts = new Map<string, number>();
  private readonly seconds = { sum: 0, count: 0 };

  count(method: string, status: number, ms: number): void {
    const key = `${method}|${Math.floor(status / 100)}xx`;
    this.counts.set(key, (this.counts.get(key) ?? 0) + 1);
    this.seconds.sum += ms / 1000;
    this.seconds.count += 1;
  }

  text(): string {
    const requests = [...this.counts].map(([key, value]) => {
      const [method = '', status = ''] = key.split('|');
      return `able_requests_total{method="${method}",status="${status}"} ${value}`;
    });
    const { rss, heapUsed } = process.memoryUsage();
    return [
      '# HELP able_requests_total Requests answered since the start.',
      '# TYPE able_requests_total counter',
      ...requests,
      '# HELP able_request_seconds Time to answer.',
      '# TYPE able_request_seconds summary',
      `able_request_seconds_sum ${this.seconds.sum}`,
      `able_request_seconds_count ${this.seconds.count}`,
      '# HELP able_memory_bytes Memory of the process.',
      '# TYPE able_memory_bytes gauge',
      `able_memory_bytes{kind="rss"} ${rss}`,
      `able_memory_bytes{kind="heap"} ${heapUsed}`,
      '# HELP able_uptime_seconds Time since the start.',
      '# TYPE able_uptime_seconds counter',
      `able_uptime_seconds ${Math.round(process.uptime())}`,
      '',
    ].join('\n');
  }
}
