using BenchmarkDotNet.Running;
using YoungTinge.Benchmarks;

if (args is ["paste"])
    PasteRate.Print();
else
    BenchmarkSwitcher.FromAssembly(typeof(ColourBenchmarks).Assembly).Run(args);
