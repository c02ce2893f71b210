// usage: node scripts/zz-run.mjs steps.mjs
import { cpSync, rmSync, existsSync, mkdirSync } from 'node:fs';
import path from 'node:path';
import { CHROMIUM, CHROMIUM_ARGS } from './chromium.mjs';
import { root } from './install.mjs';
const { chromium } = await import('@playwright/test');
const { startServer, startServices } = await import('./programs.mjs');
const data='/tmp/shots/data';
if(!existsSync(data)||process.env.FRESH){rmSync(data,{recursive:true,force:true});cpSync(path.join(root,'.data/demo'),data,{recursive:true})}
const services=await startServices(['--allowance','1000000','--state',path.join(data,'services.json')],root);
const server=await startServer(['--port','0','--data',data,'--services',services.url],root);
const browser=await chromium.launch({executablePath:CHROMIUM,args:CHROMIUM_ARGS});
try{
 const page=await browser.newPage({viewport:{width:1280,height:800}});
 page.setDefaultTimeout(15000);
 page.on('pageerror',e=>console.log('pageerror',e.message));
 page.on('console',m=>{if(m.type()==='error')console.log('console',m.text().slice(0,300))});
 const steps=(await import(path.resolve(process.argv[2]))).default;
 await steps({page,url:server.url,shot:async n=>{await page.screenshot({path:`/tmp/shots/${n}.png`})},api:async(p,b)=>{const r=await fetch(`${server.url}/api${p}`,b===undefined?{}:{method:'POST',headers:{'content-type':'application/json'},body:JSON.stringify(b)});return r.json()}});
}catch(e){console.log('FAILED',e.message)}
await browser.close();
await server.stop?.();await services.stop?.();
process.exit(0);
