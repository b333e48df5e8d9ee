import type { Forecaster } from './forecastClient';

/** A forecaster whose client is fetched with the first job, out of the way of the first load. */
export function lazyForecaster(): Forecaster {
  let client: Forecaster | null = null;
  return {
    async run(job) {
      if (!client) {
        const { browserForecaster } = await import('./forecastClient');
        client ??= browserForecaster();
      }
      return client.run(job);
    },
    stop() {
      client?.stop();
    },
  };
}
