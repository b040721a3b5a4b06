import { crowdFor } from './zzload'
import { quantile } from './measure'
const base = process.env.BASE as string
const w = await crowdFor(base)
const K = (globalThis as any).K
for (const k of Object.keys(K).sort()) console.log(k.padEnd(40), K[k].length, 'p50', quantile(K[k],.5).toFixed(0), 'p95', quantile(K[k],.95).toFixed(0), 'max', Math.max(...K[k]).toFixed(0))
console.log('all', w.length, 'p95', quantile(w,.95).toFixed(0))
const T = (globalThis as any).T as [number, number, string][]
const t0 = T.reduce((m, x) => Math.min(m, x[0]), Infinity)
const end = Math.max(...T.map(x => x[0]))
for (let s = 0; s < 34; s++) { const x = T.filter(y => Math.floor((y[0]-t0)/500) === s + 12 * 2 - 12); if (x.length) console.log(s/2, x.length, 'p50', quantile(x.map(y=>y[1]),.5).toFixed(0), 'p95', quantile(x.map(y=>y[1]),.95).toFixed(0)) }
for (const x of T.filter(y => y[1] > 700 && y[0]-t0 > 8000).sort((a,b)=>a[0]+a[1]-b[0]-b[1]).slice(0,70)) console.log('slow from', ((x[0]-t0)/1000).toFixed(2), 'to', ((x[0]+x[1]-t0)/1000).toFixed(2), x[2])
