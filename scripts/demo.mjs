// npm run demo: install, build, start on localhost, open onto the demo shoot.
import { spawn } from 'node:child_process';
import { build, freePort, has, installPackages, nodeIsNew, say, startServer } from './ground.mjs';

nodeIsNew();
installPackages();
build();
const port = await freePort(Number(process.env.PORT ?? 3000));
const { server, address } = await startServer(port);
const page = `${address}/judge?shoot=salt-and-fire&setup=furnace-mouth&camera=a-cam`;
say(`\nCandelum with the demo shoot: ${page}\nCtrl C ends it.`);
if (process.stdout.isTTY && !process.env.CI) {
  const opener = ['xdg-open', 'open'].find(has);
  if (opener)
    spawn(opener, [page], { stdio: 'ignore', detached: true })
      .on('error', () => undefined)
      .unref();
}
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 0));
