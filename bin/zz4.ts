import { headGrids, framesOf } from '@/core/pattern/frame';
import { sectionOff } from '@/core/pattern/sectioning';
import { planeField } from '@/core/pattern/plane-field';
import { runsInside } from '@/core/pattern/section-line';
import { makeHead } from '@/core/head';
import { panelOf } from '@/core/formats';
const g=headGrids(makeHead({circumferenceMm:550,hairline:{left:'round',right:'round'}}));
const f=framesOf(g,{offsetMm:0,lengthMm:null,none:false}).own;
const p=panelOf({id:'a',name:'A',gather:{kind:'slice'},thicknessMm:4,spacing:{kind:'constant',dropoutMm:5},place:{kind:'part-strip',leftMm:25,rightMm:38},side:'across'});
const s=sectionOff(p,'across',[],f)!;
for (const t of [0,.25,1]){ const fl=planeField(s,{fromDeg:0,toDeg:0},t); console.log(t,fl.extent,fl.folded, s.centre);
for (let q=fl.extent[0]+2;q<fl.extent[1];q+=15){const l=fl.trace(q,1)!; console.log(q.toFixed(0), runsInside(l,f,s.depths).map(([a,b])=>[(l.firstU!+a*4).toFixed(1),(l.firstU!+b*4).toFixed(1)]).join(' '));}}
import { panelField } from '@/core/pattern/panel-field';
const q=panelOf({id:'a',name:'A',gather:{kind:'slice'},thicknessMm:3,spacing:{kind:'backwards',sliverMm:4,spacing:{kind:'constant',dropoutMm:2}},place:{kind:'part-strip',leftMm:25,rightMm:25},side:'both',direction:{kind:'part'}});
const h=sectionOff(q,'left',[],f)!; const pf:any=panelField(h,q.direction); console.log(pf.field.extent);
