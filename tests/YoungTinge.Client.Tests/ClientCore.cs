using Jint;
using Jint.Runtime;

namespace YoungTinge.Client.Tests;

/// <summary>What the client thinks with, running in an engine of its own, with <c>Stage.js</c> for its browser.</summary>
internal static class ClientCore
{
    private static readonly string Core = Resource("core.js");
    private static readonly string Stage = Resource("Stage.js");

    /// <summary>Runs the body of an asynchronous function that knows all that the core and the stage export.</summary>
    /// <param name="body">Returns what is to be looked at.</param>
    /// <param name="given">As JSON, under the name <c>given</c>.</param>
    /// <returns>As JSON.</returns>
    public static string Run(string body, string given = "null")
    {
        using var engine = new Engine(options => options.TimeoutInterval(TimeSpan.FromSeconds(30)));
        engine.Modules.Add("core", Core);
        engine.Modules.Add("stage", Stage);
        engine.Modules.Add("test", $$"""
            import * as core from 'core'
            import * as stage from 'stage'
            const { {{Names(engine, "core")}} } = core
            const { {{Names(engine, "stage")}} } = stage
            export async function run(given) { {{body}} }
            """);
        var run = engine.Modules.Import("test").Get("run");
        try
        {
            var answer = run.Call(new Jint.Native.Json.JsonParser(engine).Parse(given)).UnwrapIfPromise();
            return engine.Evaluate("value => JSON.stringify(value) ?? 'null'").Call(answer).AsString();
        }
        catch (PromiseRejectedException failure)
        {
            var reason = failure.RejectedValue;
            throw new InvalidOperationException(reason.IsObject() ? $"{reason} {reason.Get("stack")}" : reason.ToString());
        }
    }

    private static string Names(Engine engine, string module) =>
        string.Join(", ", engine.Modules.Import(module).GetOwnPropertyKeys(Types.String).Select(key => key.AsString()));

    private static string Resource(string name)
    {
        using var stream = typeof(ClientCore).Assembly.GetManifestResourceStream(name)!;
        using var reader = new StreamReader(stream);
        return reader.ReadToEnd();
    }
}
