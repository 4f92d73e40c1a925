import { bagno } from './program'

const { status, stdout, stderr } = await bagno(process.argv.slice(2))
process.stdout.write(stdout)
process.stderr.write(stderr)
process.exitCode = status
