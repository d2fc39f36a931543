using BenchmarkDotNet.Running;
using YoungTinge.Benchmarks;

BenchmarkSwitcher.FromAssembly(typeof(ColourBenchmarks).Assembly).Run(args);
