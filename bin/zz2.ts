import { startPlan } from '@/core/formats';
import { createPatternEngine, indexRoots, foilsOfRoots } from '@/core/pattern';
import { makeRoots, makeHead, makeScalp, makeScalpGrid } from '@/core/head';
const p = startPlan();
const med=(a:number[])=>a.sort((x,y)=>x-y)[a.length>>1];
const c:number[]=[],r:number[]=[],g:number[]=[],f:number[]=[],x:number[]=[];
for (let i=0;i<60;i++){ const e=createPatternEngine(); let t=performance.now(); const k=e.compute(p); c.push(performance.now()-t);
 t=performance.now(); const h=makeHead({circumferenceMm:550,hairline:{left:'round',right:'round'}}); const gr=makeScalpGrid(makeScalp(h)); g.push(performance.now()-t);
 t=performance.now(); const ro=makeRoots(gr,30000); r.push(performance.now()-t);
 t=performance.now(); const ix=indexRoots(ro); x.push(performance.now()-t);
 t=performance.now(); foilsOfRoots(ix,p,k); f.push(performance.now()-t);
 if(i==0) console.log(ro.count);
}
console.log('cold',med(c),'grid',med(g),'roots',med(r),'index',med(x),'foilsOfRoots',med(f));
