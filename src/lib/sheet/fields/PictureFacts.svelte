<script lang="ts">
  import { bandWindows, cutWords, hasPixels, shownWidth, type PictureUse } from '$core/compile/renditions';
  import type { Band, Bands } from '$core/project/types';

  const { use, bands }: { use: PictureUse; bands: Bands } = $props();

  const { asset, room, covers } = $derived(use);
  const rows = $derived(
    Object.entries(bandWindows(bands)).map(([band, window]) => {
      const drawn = shownWidth(room, window, covers ? null : asset.width);
      const { cut, enlarged } = room.covering[band as Band];
      const shown = Math.round(drawn / enlarged);
      return { band, window, shown, cut, ratio: hasPixels(asset) ? asset.width! / drawn : null };
    })
  );
  const percent = (share: number): string => `${Math.round(share * 100)} %`;
  const cutOff = $derived(cutWords(room));
  /** @param ratio pixels of the picture to each of the page; null for a drawing. */
  function sharpness(ratio: number | null): string {
    if (ratio === null) return 'any: drawn, not stored in pixels';
    const steps = [
      { from: 2, words: 'sharp on every screen' },
      { from: 1, words: 'soft on sharp screens' },
      { from: 0, words: 'blurred' }
    ];
    return `${ratio.toFixed(1)}, ${steps.find(({ from }) => ratio >= from)?.words}`;
  }
  const weight = $derived(
    asset.bytes >= 1e6
      ? `${(asset.bytes / 1e6).toFixed(1)} MB`
      : `${(asset.bytes / 1000).toFixed(asset.bytes < 10_000 ? 1 : 0)} kB`
  );
</script>

<details class="facts">
  <summary
    ><b>{asset.file}</b> · {asset.width && asset.height
      ? `${asset.width} × ${asset.height} px`
      : 'no size of its own'} · {weight} · shown {rows[0]!.shown} px wide{cutOff && ` · ${cutOff}`}</summary
  >
  <table>
    <caption class="visually-hidden">How wide {asset.file} is shown</caption>
    <thead
      ><tr
        ><th scope="col">window</th><th scope="col">shown</th>{#if cutOff}<th scope="col">cut off</th>{/if}<th
          scope="col">pixels for each px</th
        ></tr
      ></thead
    >
    <tbody>
      {#each rows as { band, window, shown, cut, ratio } (band)}
        <tr>
          <th scope="row">{band} {window}</th>
          <td>{shown} px</td>
          {#if cutOff}<td>{percent(cut)}</td>{/if}
          <td
            class:good={ratio !== null && ratio >= 2}
            class:soft={ratio !== null && ratio < 2 && ratio >= 1}
            class:bad={ratio !== null && ratio < 1}>{sharpness(ratio)}</td
          >
        </tr>
      {/each}
    </tbody>
  </table>
</details>

<style>
  .facts {
    margin-top: 3px;
    font-size: 12px;
  }
  summary {
    cursor: pointer;
  }
  th,
  td {
    padding: 1px 18px 1px 0;
    font-weight: 400;
    text-align: left;
    color: var(--ink-2);
  }
  td {
    font-family: var(--mono);
    color: var(--ink);
  }
  td.good {
    color: var(--verdigris);
  }
  td.soft {
    color: var(--ochre);
  }
  td.bad {
    color: var(--red);
  }
</style>
