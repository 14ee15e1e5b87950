import { NodeJSFileSystem, ConsoleLogger, LogLevel } from '@angular/compiler-cli';
import { createEs2015LinkerPlugin } from '@angular/compiler-cli/linker/babel';
import babel from '@babel/core';
import swcJest from '@swc/jest';

const swc = swcJest.createTransformer({ jsc: { parser: { syntax: 'ecmascript' }, target: 'es2022' }, module: { type: 'commonjs' } });
const linker = createEs2015LinkerPlugin({
  fileSystem: new NodeJSFileSystem(),
  logger: new ConsoleLogger(LogLevel.warn),
  linkerJitMode: false,
});

/** Libraries of Angular are published half compiled; what is left is done once here, as the build does it, and not by every file of tests. */
const linked = (source, filename) =>
  source.includes('ɵɵngDeclare')
    ? babel.transformSync(source, { filename, plugins: [linker], compact: false, configFile: false, babelrc: false, sourceMaps: false })
        .code
    : source;

export default {
  process: (source, filename, options) => swc.process(linked(source, filename), filename, options),
  getCacheKey: (source, filename, options) => `${swc.getCacheKey(source, filename, options)}linked`,
};
