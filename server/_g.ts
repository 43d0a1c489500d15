import { madeUpPair, madeUpNegative } from './src/compare/madeUpPairs';
import sharp from 'sharp';
void (async()=>{
const t=Date.now();
const p=await madeUpPair(3,3); console.log(Date.now()-t, p.marks);
const svg=(m:any[])=>Buffer.from(`<svg xmlns="http://www.w3.org/2000/svg" width="1600" height="1200">${m.map(b=>`<rect x="${b.x}" y="${b.y}" width="${b.width}" height="${b.height}" fill="none" stroke="red" stroke-width="3"/>`).join('')}</svg>`);
const raw=(r:any)=>sharp(r.data,{raw:{width:r.width,height:r.height,channels:3}});
const a=await raw(p.out).jpeg().toBuffer(); const b=await raw(p.in).composite([{input:svg(p.marks)}]).jpeg().toBuffer();
const n=await madeUpNegative(3,'sister'); const s=await raw(n.in).jpeg().toBuffer();
const q=await madeUpPair(8,3); const d=await raw(q.in).composite([{input:svg(q.marks)}]).jpeg().toBuffer();
const small=(x:any)=>sharp(x).resize(800,600).toBuffer();
await sharp({create:{width:1600,height:1200,channels:3,background:'#000'}}).composite([{input:await small(a),left:0,top:0},{input:await small(b),left:800,top:0},{input:await small(s),left:0,top:600},{input:await small(d),left:800,top:600}]).png().toFile('/tmp/look/pair.png');

})();
