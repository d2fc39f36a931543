using System.Reflection;
using System.Text.RegularExpressions;
using System.Xml.Linq;

namespace YoungTinge.Web.Hosting;

/// <summary>What the doc comments of the code say, read from the files that the compiler writes beside each assembly.</summary>
internal sealed partial class DocComments
{
    private readonly Dictionary<string, XElement> members = [];

    public static DocComments OfAll(IEnumerable<Assembly> assemblies)
    {
        var comments = new DocComments();
        foreach (var assembly in assemblies)
        {
            var file = Path.ChangeExtension(assembly.Location, ".xml");
            if (!File.Exists(file))
                continue;
            foreach (var member in XDocument.Load(file).Descendants("member"))
                comments.members[(string)member.Attribute("name")!] = member;
        }

        return comments;
    }

    /// <returns>Null if there is no summary.</returns>
    public string? Of(Type type) => Text(Member($"T:{NameOf(type)}")?.Element("summary"));

    /// <summary>Of a property, or of the parameter of a record that it is made from; its own words or those that it inherits.</summary>
    public string? Of(PropertyInfo property)
    {
        for (var type = property.ReflectedType; type is not null; type = type.BaseType)
        {
            if (Text(Member($"P:{NameOf(type)}.{property.Name}")?.Element("summary")) is { } own)
                return own;
            var parameter = Member($"T:{NameOf(type)}")?.Elements("param").FirstOrDefault(one => (string?)one.Attribute("name") == property.Name);
            if (Text(parameter) is { } made)
                return made;
        }

        return null;
    }

    /// <summary>Of a method that answers requests.</summary>
    public string? Of(MethodInfo method) => Text(MemberOf(method)?.Element("summary"));

    /// <summary>Of one of its parameters.</summary>
    public string? Of(MethodInfo method, string parameter) =>
        Text(MemberOf(method)?.Elements("param").FirstOrDefault(one => (string?)one.Attribute("name") == parameter));

    // Handlers have no overloads with the same name, so that the name is enough.
    private XElement? MemberOf(MethodInfo method)
    {
        var name = $"M:{NameOf(method.DeclaringType!)}.{method.Name}";
        return Member(name) ?? members.FirstOrDefault(member => member.Key.StartsWith(name + "(", StringComparison.Ordinal)).Value;
    }

    private XElement? Member(string name) => members.GetValueOrDefault(name);

    private static string NameOf(Type type) => (type.IsGenericType ? type.GetGenericTypeDefinition() : type).FullName!.Replace('+', '.');

    private static string? Text(XElement? element)
    {
        if (element is null)
            return null;
        var words = string.Concat(element.Nodes().Select(node => node switch
        {
            XText text => text.Value,
            XElement named => named.IsEmpty ? ((string?)named.Attribute("cref") ?? (string?)named.Attribute("name") ?? "").Split('.', ':')[^1] : named.Value,
            _ => "",
        }));
        words = Spaces().Replace(words, " ").Trim();
        return words.Length > 0 ? words : null;
    }

    [GeneratedRegex(@"\s+")]
    private static partial Regex Spaces();
}
