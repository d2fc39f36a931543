using System.Text;
using System.Text.Json.Nodes;

namespace YoungTinge.Force;

/// <summary>What nobody sends who means well.</summary>
internal static class Hostile
{
    private static readonly string[] Texts =
    [
        "", " ", "\0", "a\0b", "\u202e", "\ud83c\udf38", "' or 1=1 --", "$1", "../../etc/passwd", "<script>", "NaN", "null", "-1", "1e999", "\r\n", new('x', 121), new('x', 4000),
        "00000000-0000-0000-0000-000000000000", "not-a-guid", "%s%n", "{{name}}", "\\x00", "\uFFFF",
    ];

    private static readonly string[] InPath =
    [
        "%00", "..%2f..", "%25", "a%20b", "-1", "99999999999999999999", "00000000-0000-0000-0000-000000000000", "%F0%9F%8C%B8", "%E2%80%AE", "null", "undefined", "'--", "%FF", new('x', 2000), ":", "a:b:c",
    ];

    private static readonly string[] Raw =
    [
        "", "{", "[", "null", "[]", "{}", "\"\"", "0", "{\"a\":", "{\"a\":1,}", "[[[[[[", "\uFEFF{}", "{\"\\u0000\":1}", "nul", "{\"plan\":null}", "{\"kind\":\"dust\"}", "{\"x\":\"\\ud800\"}",
    ];

    public static string Text(Random random) => Texts[random.Next(Texts.Length)];

    public static string PathPart(Random random) => InPath[random.Next(InPath.Length)];

    public static string RawBody(Random random) => random.Next(10) == 0 ? new string('[', 200_000 / (1 + random.Next(20))) : Raw[random.Next(Raw.Length)];

    public static JsonNode? Value(Random random) => random.Next(16) switch
    {
        0 or 1 => null,
        2 => JsonValue.Create(Text(random)),
        3 => JsonValue.Create(0),
        4 => JsonValue.Create(-1),
        5 => JsonValue.Create(1e300),
        6 => JsonValue.Create(-1e300),
        7 => JsonValue.Create(double.Epsilon),
        8 => JsonValue.Create(long.MaxValue),
        9 => JsonValue.Create(random.NextDouble() * 100),
        10 => new JsonArray(),
        11 => new JsonArray((JsonNode?)null),
        12 => new JsonObject(),
        13 => JsonValue.Create(true),
        14 => new JsonArray([.. Enumerable.Range(0, 300).Select(i => (JsonNode)i)]),
        _ => Deep(1 + random.Next(80)),
    };

    /// <summary>Bytes of a file, real ones with some wrong, or none at all.</summary>
    public static byte[] File(Random random, IReadOnlyList<byte[]> real)
    {
        if (random.Next(4) == 0)
        {
            var noise = new byte[random.Next(4000)];
            random.NextBytes(noise);
            return noise;
        }

        if (random.Next(6) == 0)
            return Encoding.UTF8.GetBytes(string.Concat(Enumerable.Repeat(Text(random) + ",", random.Next(50))));
        var file = real[random.Next(real.Count)].ToArray();
        for (var change = random.Next(6); change > 0 && file.Length > 0; change--)
            file[random.Next(file.Length)] = (byte)random.Next(256);
        return random.Next(5) == 0 ? file[..random.Next(file.Length + 1)] : file;
    }

    /// <summary>Puts something hostile in some places of a document.</summary>
    public static JsonNode? Spoil(JsonNode? document, Random random)
    {
        var whole = document?.DeepClone();
        for (var times = 1 + random.Next(3); times > 0; times--)
        {
            var at = whole;
            while (at is JsonObject { Count: > 0 } or JsonArray { Count: > 0 })
            {
                var isList = at is JsonArray;
                var keys = isList ? [] : at.AsObject().Select(part => part.Key).ToArray();
                var place = random.Next(isList ? at.AsArray().Count : keys.Length);
                var next = isList ? at[place] : at[keys[place]];
                if (next is JsonObject { Count: > 0 } or JsonArray { Count: > 0 } && random.Next(4) > 0)
                {
                    at = next;
                    continue;
                }

                if (isList && random.Next(3) == 0)
                    at.AsArray().Insert(place, random.Next(2) == 0 ? null : next?.DeepClone());
                else if (isList)
                    at[place] = Value(random);
                else if (random.Next(5) == 0)
                    at.AsObject().Remove(keys[place]);
                else
                    at[keys[place]] = Value(random);
                break;
            }
        }

        return whole;
    }

    private static JsonNode Deep(int depth)
    {
        JsonNode node = new JsonArray();
        for (; depth > 0; depth--)
            node = depth % 2 == 0 ? new JsonArray(node) : new JsonObject { ["a"] = node };
        return node;
    }
}
