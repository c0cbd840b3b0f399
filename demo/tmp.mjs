import * as c from '../core/dist/index.js';
import * as w from '../core/dist/words/index.js';
import { studies } from './studies.mjs';
for(const s of studies)for(const section of s.sections){const request={section,shapes:s.shapes,...s.instrument,profile:c.DEFAULT_PROFILE,called:s.cells};const r=c.readSection(request);
 console.log(`\n## ${s.name} / ${section.name} [${r.kind}] ${section.script.slice(0,70)} · ${section.chart.slice(0,40)}`);
 for(const f of w.sayAll(c.findingsOf({...request,...r})).filter(f=>f.code!=='comes round'))console.log(`  ${f.tone.padEnd(5)} ${f.code.padEnd(16)} ${f.title} — ${f.lines.join(' ').slice(0,200)}`);
 if(process.argv[2]==='drills'){const d=w.sayDrills?w.sayDrills(c.drillsOf?c.drillsOf(section,s,c.DEFAULT_PROFILE):[]):[];}
}
