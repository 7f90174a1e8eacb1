import { startPlan } from '@/core/formats';
import { createPatternEngine } from '@/core/pattern';
const p = startPlan();
const e0=createPatternEngine(); const r=e0.compute(p);
console.log(r.sheet.totals, r.sheet.panels.map(x=>[x.panel,x.foils,x.rows,x.areaCm2.toFixed(1)]), r.sheet.problems);
const z=(t:number,g:number,tol=25)=>e0.compute({...p,foil:{usableWidthMm:95,toleranceMm:tol},panels:p.panels.map(x=>({...x,thicknessMm:t,spacing:{kind:'constant' as const,dropoutMm:g}}))}).sheet;
console.log('tol0',z(4,5,0).totals.foils,'T=G', z(5,5).totals.foiledShare, 'doubled', z(4,10).totals.foils);
for (const {panel,areaCm2} of r.sheet.panels) console.log(panel, r.sheet.foils.filter(f=>f.panel===panel).reduce((s,f)=>s+f.widthMm*9,0)/100/areaCm2);
const med=(a:number[])=>a.sort((x,y)=>x-y)[a.length>>1];
const c:number[]=[],w:number[]=[];
for (let i=0;i<30;i++){ const e=createPatternEngine(); let t=performance.now(); e.compute(p); c.push(performance.now()-t); for(let j=0;j<5;j++){ t=performance.now(); e.compute({...p, panels:p.panels.map(x=>({...x,thicknessMm:4.5+j*.1}))}); w.push(performance.now()-t);}}
console.log('cold',med(c),'warm',med(w));
