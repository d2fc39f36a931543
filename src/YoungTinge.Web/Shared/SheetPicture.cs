using YoungTinge.Core.Marble;

namespace YoungTinge.Web.Shared;

/// <summary>A picture of a marbled sheet, or of a piece cut from it.</summary>
/// <param name="Rgb">Three bytes a point (sRGB), row by row from the top, base64.</param>
public sealed record SheetPicture(int Columns, int Rows, string Rgb)
{
    public static SheetPicture From(MarblePicture picture) => new(picture.Columns, picture.Rows, Convert.ToBase64String(picture.Rgb));
}
