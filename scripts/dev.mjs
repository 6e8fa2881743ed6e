import { install, run } from './setup.mjs';

/** `npm run dev`: the application rebuilt as its sources change, on the store of `npm start`. */
install();
run('npx', ['next', 'dev', '-H', process.env.HOST || '127.0.0.1', '-p', process.env.PORT || '3000']);
