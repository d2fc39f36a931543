using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Learning;
using YoungTinge.Core.Practice;
using YoungTinge.Store.People;

namespace YoungTinge.Store;

/// <summary>The words that stand in the database for choices in the code; both sides are listed, so renaming code changes no data.</summary>
internal static class Words
{
    public static readonly WordList<FoodStatus> Food = new(
        (FoodStatus.Edible, "edible"), (FoodStatus.DecorativeOnly, "decorative_only"), (FoodStatus.NotFood, "not_food"));

    public static readonly WordList<DoseUnitKind> Unit = new(
        (DoseUnitKind.Touch, "touch"), (DoseUnitKind.Drop, "drop"), (DoseUnitKind.Pea, "pea"), (DoseUnitKind.KnifeTip, "knife_tip"),
        (DoseUnitKind.Pinch, "pinch"));

    public static readonly WordList<Measures> Measures = new((Store.Measures.Metric, "metric"), (Store.Measures.Imperial, "imperial"));

    public static readonly WordList<Role> Role = new((People.Role.Helper, "helper"), (People.Role.Maker, "maker"), (People.Role.Owner, "owner"));

    public static readonly WordList<Theme> Theme = new((People.Theme.Light, "light"), (People.Theme.Dark, "dark"));

    public static readonly WordList<CodeKind> CodeKind = new((People.CodeKind.Invite, "invite"), (People.CodeKind.Password, "password"), (People.CodeKind.Enter, "enter"));

    public static readonly WordList<Archives.BackupEvery> BackupEvery = new((Archives.BackupEvery.Never, "never"), (Archives.BackupEvery.Day, "day"), (Archives.BackupEvery.Week, "week"));

    public static readonly WordList<CommissionStatus> Status = new(
        (CommissionStatus.Asked, "asked"), (CommissionStatus.Planned, "planned"), (CommissionStatus.InWork, "in_work"),
        (CommissionStatus.Delivered, "delivered"), (CommissionStatus.PutAway, "put_away"));

    public static readonly WordList<PictureShows> Shows = new((PictureShows.Living, "living"), (PictureShows.Made, "made"));

    public static readonly WordList<PartOf> Part = new((PartOf.Flower, "flower"), (PartOf.Bud, "bud"));

    public static readonly WordList<Diet> Diets = new(
        (Diet.Vegan, "vegan"), (Diet.Vegetarian, "vegetarian"), (Diet.GlutenFree, "gluten_free"), (Diet.NutFree, "nut_free"), (Diet.DairyFree, "dairy_free"));

    public static readonly WordList<Ingredient> Ingredients = new(
        (Ingredient.Egg, "egg"), (Ingredient.Gluten, "gluten"), (Ingredient.Nuts, "nuts"), (Ingredient.Milk, "milk"), (Ingredient.Soya, "soya"),
        (Ingredient.Gelatine, "gelatine"), (Ingredient.Shellac, "shellac"), (Ingredient.Carmine, "carmine"), (Ingredient.WarnedColour, "warned_colour"));

    public static readonly WordList<MaterialKind> Kind = new(
        (MaterialKind.Paste, "paste"), (MaterialKind.Colourant, "colourant"), (MaterialKind.Dust, "dust"), (MaterialKind.Lustre, "lustre"),
        (MaterialKind.Extender, "extender"), (MaterialKind.Glaze, "glaze"), (MaterialKind.Thinner, "thinner"), (MaterialKind.Crumb, "crumb"),
        (MaterialKind.Adhesive, "adhesive"), (MaterialKind.Wire, "wire"), (MaterialKind.Tape, "tape"), (MaterialKind.Stamens, "stamens"), (MaterialKind.Core, "core"));

    public static readonly WordList<ReadBy> Read = new((ReadBy.Reader, "reader"), (ReadBy.Camera, "camera"), (ReadBy.Eye, "eye"), (ReadBy.Typed, "typed"));

    public static readonly WordList<Exercise> Exercises = new(
        (Exercise.Warmer, "warmer"), (Exercise.Deeper, "deeper"), (Exercise.Duller, "duller"), (Exercise.Glaze, "glaze"), (Exercise.Steps, "steps"), (Exercise.Candle, "candle"), (Exercise.WentIn, "went_in"), (Exercise.Match, "match"), (Exercise.Folds, "folds"));

    public static readonly WordList<OpticsOrigin> Origin = new(
        (OpticsOrigin.Nominal, "nominal"), (OpticsOrigin.Label, "label"), (OpticsOrigin.Dabs, "dabs"));

    public static readonly WordList<LightKind> Light = new(
        (LightKind.Daylight, "daylight"), (LightKind.EveningDaylight, "evening_daylight"), (LightKind.Lamp, "lamp"),
        (LightKind.Tube, "tube"), (LightKind.WarmLed, "warm_led"), (LightKind.Candle, "candle"));

    public static readonly WordList<LogSubject> Subject = new(
        (LogSubject.Paste, "paste"), (LogSubject.Rim, "rim"), (LogSubject.Tip, "tip"), (LogSubject.Heart, "heart"),
        (LogSubject.Base, "base"), (LogSubject.Back, "back"));
}

internal sealed class WordList<T>(params (T Value, string Word)[] pairs) where T : struct, Enum
{
    public string WordFor(T value) => pairs.First(pair => EqualityComparer<T>.Default.Equals(pair.Value, value)).Word;

    /// <exception cref="InvalidDataException">The database holds a word this build does not know.</exception>
    public T ValueOf(string word)
    {
        foreach (var pair in pairs)
        {
            if (pair.Word == word)
                return pair.Value;
        }

        throw new InvalidDataException($"Unknown word '{word}' for {typeof(T).Name}.");
    }
}
