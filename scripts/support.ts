import { writeFileSync } from 'node:fs';
import { features } from 'web-features';
import { PLATFORM_FEATURES } from '../src/core/support/features';

/** Baseline status of every feature of the platform that a page may use, read from the web-features package. */
export function baselineData(): Record<
  string,
  { readonly name: string; readonly baseline: 'high' | 'low' | false; readonly since: string | null }
> {
  return Object.fromEntries(
    Object.keys(PLATFORM_FEATURES).map((id) => {
      const feature = features[id];
      if (!feature || !('status' in feature))
        throw new Error(`baselineData: web-features knows no feature ${JSON.stringify(id)}`);
      const { baseline, baseline_low_date: low, baseline_high_date: high } = feature.status;
      return [
        id,
        { name: feature.name, baseline: baseline ?? false, since: (baseline === 'high' ? high : low) ?? null }
      ];
    })
  );
}

if (process.argv[1]?.endsWith('support.ts')) {
  writeFileSync(
    new URL('../src/core/support/baseline.json', import.meta.url),
    `${JSON.stringify(baselineData(), null, 2)}\n`
  );
}
