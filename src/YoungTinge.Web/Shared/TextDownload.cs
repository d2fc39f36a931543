using System.Text;

namespace YoungTinge.Web.Shared;

/// <summary>Text that is answered as a file to keep.</summary>
internal static class TextDownload
{
    public const string Csv = "text/csv";

    // A table comes with a mark of its encoding, for spreadsheets that would guess another.
    public static IResult Of(string text, string type, string name) =>
        TypedResults.File([.. type == Csv ? Encoding.UTF8.Preamble : [], .. Encoding.UTF8.GetBytes(text)], type, name);
}
