using System.Globalization;
using System.Reflection;
using System.Text.Json.Nodes;
using Microsoft.OpenApi;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Advice;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Learning;
using YoungTinge.Core.Marble;
using YoungTinge.Core.Mixing;
using YoungTinge.Core.Ombre;
using YoungTinge.Core.Pictures;
using YoungTinge.Store;
using YoungTinge.Store.Archives;
using YoungTinge.Store.People;
using YoungTinge.Web.Cabinet;
using YoungTinge.Web.Commissions;
using YoungTinge.Web.Files;
using YoungTinge.Web.Flowers;
using YoungTinge.Web.Logbook;
using YoungTinge.Web.Mixing;
using YoungTinge.Web.People;
using YoungTinge.Web.Pictures;
using YoungTinge.Web.Shared;
using YoungTinge.Web.Studios;
using YoungTinge.Web.Targets;
using YoungTinge.Web.Work;

namespace YoungTinge.Web.Hosting;

/// <summary>
/// The limits of what may be asked, as numbers in the description of the API: the constants that the checks go by. A limit that hangs on
/// something else as well (the load that a jar takes) is only told where it is passed.
/// </summary>
internal static class PropertyLimits
{
    private static readonly Dictionary<(Type, string), Limit> Known = new(OfMaterials())
    {
        [(typeof(Lab), nameof(Lab.L))] = new Range(0, 100),
        [(typeof(Lab), nameof(Lab.A))] = new Range(-150, 150),
        [(typeof(Lab), nameof(Lab.B))] = new Range(-150, 150),
        [(typeof(Target), nameof(Target.Spread))] = new Range(0, Target.MostSpread),

        [(typeof(SigningIn.Request), nameof(SigningIn.Request.Name))] = new Length(1, PersonRules.LongestName),
        [(typeof(SigningIn.Request), nameof(SigningIn.Request.Password))] = new Length(1, PersonRules.LongestPassword),
        [(typeof(UseCode.Request), nameof(UseCode.Request.Name))] = new Length(0, PersonRules.LongestName),
        [(typeof(UseCode.Request), nameof(UseCode.Request.SignInName))] = new Length(0, PersonRules.LongestName),
        [(typeof(UseCode.Request), nameof(UseCode.Request.Password))] = new Length(0, PersonRules.LongestPassword),
        [(typeof(BeginStudio.Request), nameof(BeginStudio.Request.Name))] = new Length(1, StudioRules.LongestName),
        [(typeof(BeginStudio.Request), nameof(BeginStudio.Request.Maker))] = new Length(1, PersonRules.LongestName),
        [(typeof(BeginStudio.Request), nameof(BeginStudio.Request.SignInName))] = new Length(1, PersonRules.LongestName),
        [(typeof(BeginStudio.Request), nameof(BeginStudio.Request.Password))] = new Length(PersonRules.ShortestPassword, PersonRules.LongestPassword),
        [(typeof(BeginStudio.Request), nameof(BeginStudio.Request.ScaleG))] = new Range(BenchScale.FinestG, BenchScale.CoarsestG),
        [(typeof(Me.SaveRequest), nameof(Me.SaveRequest.Name))] = new Length(1, PersonRules.LongestName),
        [(typeof(Me.PasswordRequest), nameof(Me.PasswordRequest.Old))] = new Length(1, PersonRules.LongestPassword),
        [(typeof(Me.PasswordRequest), nameof(Me.PasswordRequest.Password))] = new Length(PersonRules.ShortestPassword, PersonRules.LongestPassword),
        [(typeof(Backups.ScheduleRequest), nameof(Backups.ScheduleRequest.Keep))] = new Range(1, BackupSchedule.MostKept),
        [(typeof(ShowToGuest.AddressRequest), nameof(ShowToGuest.AddressRequest.Days))] = new Range(1, ShowToGuest.MostDays),

        [(typeof(Piece), nameof(Piece.Name))] = new Length(1, PieceCheck.LongestName),
        [(typeof(Piece), nameof(Piece.LengthMm))] = new Range(PieceCheck.SmallestMm, PieceCheck.LargestMm),
        [(typeof(Piece), nameof(Piece.WidthMm))] = new Range(PieceCheck.SmallestMm, PieceCheck.LargestMm),
        [(typeof(Piece), nameof(Piece.ThicknessMm))] = new Range(PieceCheck.ThinnestMm, PieceCheck.ThickestMm),
        [(typeof(Piece), nameof(Piece.PerPart))] = new Range(1, PieceCheck.MostPerPart),
        [(typeof(Piece), nameof(Piece.SpareShare))] = new Range(0, PieceCheck.MostSpares),
        [(typeof(PieceForm), nameof(PieceForm.OpenDegrees))] = new Range(0, PieceForm.MostOpenDegrees),
        [(typeof(PieceForm), nameof(PieceForm.InsetMm))] = new Range(0, PieceForm.MostInsetMm),
        [(typeof(PieceForm), nameof(PieceForm.Cup))] = new Range(0, 1),
        [(typeof(PieceForm), nameof(PieceForm.Frill))] = new Range(0, 1),
        [(typeof(PieceForm), nameof(PieceForm.Gauge))] = new Range(PieceCheck.CoarsestGauge, PieceCheck.FinestGauge),
        [(typeof(PieceBody), nameof(PieceBody.CoreMm))] = new Range(0, PieceCheck.LargestMm),
        [(typeof(PieceBody), nameof(PieceBody.SkinMm))] = new Range(0, PieceBody.ThickestSkinMm),
        [(typeof(PieceForm), nameof(PieceForm.GatheredBy))] = new Range(1, PieceForm.MostGathered),
        [(typeof(PieceCut), nameof(PieceCut.RimMm))] = new Range(PieceCut.ThinnestRimMm, PieceCheck.ThickestMm),
        [(typeof(PieceCut), nameof(PieceCut.Lobes))] = new Range(1, PieceCut.MostLobes),
        [(typeof(PieceCut), nameof(PieceCut.NubMm))] = new Range(0, PieceCut.LargestNubMm, IsAbove: true),
        [(typeof(AssemblyPlan), nameof(AssemblyPlan.GroupOf))] = new Range(1, AssemblyPlan.MaxGroup),
        [(typeof(SprayPlan), nameof(SprayPlan.Sprays))] = new Range(1, SprayPlan.MaxSprays),
        [(typeof(SprayPlan), nameof(SprayPlan.Items))] = new Count(0, SprayPlan.MaxItems),
        [(typeof(SprayItem), nameof(SprayItem.Count))] = new Range(1, SprayPlan.MaxCount),
        [(typeof(SprayItem), nameof(SprayItem.DistanceMm))] = new Range(0, SprayPlan.MaxDistanceMm),
        [(typeof(AssemblyPlan), nameof(AssemblyPlan.Stages))] = new Count(0, AssemblyPlan.MostStages),
        [(typeof(AssemblyStage), nameof(AssemblyStage.Name))] = new Length(0, AssemblyPlan.LongestName),
        [(typeof(StagePart), nameof(StagePart.PerFlower))] = new Range(1, PieceCheck.MostPerPart),
        [(typeof(ChangePieces.Order), nameof(ChangePieces.Order.PieceIds))] = new Count(0, PieceCheck.MostKinds),
        [(typeof(SaveSpares.Request), nameof(SaveSpares.Request.SpareShare))] = new Range(0, PieceCheck.MostSpares),

        [(typeof(PiecePlan), nameof(PiecePlan.Coats))] = new Count(0, PlanCheck.MostCoats),
        [(typeof(PiecePlan), nameof(PiecePlan.OnPurpose))] = new Count(0, PlanCheck.MostOnPurpose),
        [(typeof(AcknowledgedAdvice), nameof(AcknowledgedAdvice.Note))] = new Length(0, PlanCheck.LongestNote),
        [(typeof(PasteRecipe), nameof(PasteRecipe.Doses))] = new Count(0, MixCheck.MostInMix),
        [(typeof(Dose), nameof(Dose.GPer100g))] = new Range(0, MadeBatch.MostGPer100g),
        [(typeof(DustCoat), nameof(DustCoat.Mix))] = new Count(1, MixCheck.MostInMix),
        [(typeof(DustCoat), nameof(DustCoat.LoadMgPerCm2))] = new Range(0, MaterialRecordCheck.MostLoadMgPerCm2, IsAbove: true),
        [(typeof(WashCoat), nameof(WashCoat.Mix))] = new Count(1, MixCheck.MostInMix),
        [(typeof(WashCoat), nameof(WashCoat.GPerMl))] = new Range(0, WashCoat.MostGPerMl, IsAbove: true),
        [(typeof(WashCoat), nameof(WashCoat.WetMlPerCm2))] = new Range(0, WashCoat.MostWetMlPerCm2, IsAbove: true),
        [(typeof(SteamCoat), nameof(SteamCoat.Seconds))] = new Range(1, SteamCoat.MostSeconds),
        [(typeof(GlazeCoat), nameof(GlazeCoat.Coats))] = new Range(1, GlazeCoat.MostCoats),
        [(typeof(TintMix), nameof(TintMix.Mix))] = new Count(1, MixCheck.MostInMix),
        [(typeof(TintMix), nameof(TintMix.GPer10ml))] = new Range(0, GlazeCoat.MostTintGPer10ml, IsAbove: true),
        [(typeof(CrumbTint), nameof(CrumbTint.CrumbsToOne))] = new Range(CrumbTint.FewestToOne, CrumbTint.MostToOne),
        [(typeof(PollenCoat), nameof(PollenCoat.Coverage))] = new Range(0, 1, IsAbove: true),
        [(typeof(Portion), nameof(Portion.Parts))] = new Range(0, MixCheck.MostParts, IsAbove: true),
        [(typeof(Place), nameof(Place.Start))] = new Range(0, Place.LargestMm),
        [(typeof(Place), nameof(Place.End))] = new Range(0, Place.LargestMm),
        [(typeof(Place), nameof(Place.Feather))] = new Range(0, Place.LargestMm),
        [(typeof(Place), nameof(Place.Also))] = new Count(0, Place.MostAlso),
        [(typeof(Marking), nameof(Marking.SizeMm))] = new Range(Marking.SmallestMm, Marking.LargestMm),
        [(typeof(Marking), nameof(Marking.SpacingMm))] = new Range(Marking.SmallestSpacingMm, Marking.LargestMm),
        [(typeof(Marking), nameof(Marking.Waver))] = new Range(0, 1),
        [(typeof(TickOperations.Request), nameof(TickOperations.Request.Operations))] = new Count(1, TickOperations.MostOperations),
        [(typeof(TickOperations.Ticked), nameof(TickOperations.Ticked.Fingerprint))] = new Length(1, Fingerprint.Longest),

        [(typeof(OmbrePlan), nameof(OmbrePlan.Uses))] = new Count(OmbrePlan.FewestShades, OmbrePlan.MostShades),
        [(typeof(OmbrePlan), nameof(OmbrePlan.Steps))] = new Count(OmbrePlan.FewestShades - 1, OmbrePlan.MostShades - 1),
        [(typeof(OmbrePlan), nameof(OmbrePlan.ScaleG))] = new Range(BenchScale.FinestG, BenchScale.CoarsestG),
        [(typeof(OmbrePlan), nameof(OmbrePlan.Begin))] = new Range(0, OmbrePlan.MaxBegin),
        [(typeof(OmbrePlan), nameof(OmbrePlan.End))] = new Range(0, 1, IsAbove: true),
        [(typeof(MiddleShade), nameof(MiddleShade.At))] = new Range(1, OmbrePlan.MostShades - 2),
        [(typeof(ShadeUse), nameof(ShadeUse.OtherG))] = new Range(0, SearchCheck.MostPasteG),
        [(typeof(MarblePlan), nameof(MarblePlan.Stripes))] = new Count(MarblePlan.FewestPastes, MarblePlan.MostPastes),
        [(typeof(MarblePlan), nameof(MarblePlan.Repeats))] = new Range(1, MarblePlan.MostRepeats),
        [(typeof(MarblePlan), nameof(MarblePlan.Folds))] = new Range(0, MarblePlan.MostFolds),
        [(typeof(MarblePlan), nameof(MarblePlan.Twist))] = new Range(0, 1),
        [(typeof(MarblePlan), nameof(MarblePlan.OtherG))] = new Range(0, SearchCheck.MostPasteG),
        [(typeof(MarbleStripe), nameof(MarbleStripe.Parts))] = new Range(0, MarbleCheck.MostParts),

        [(typeof(FindRecipes.Request), nameof(FindRecipes.Request.PasteG))] = new Range(SearchCheck.LeastPasteG, SearchCheck.MostPasteG),
        [(typeof(FindRecipes.Request), nameof(FindRecipes.Request.MostColourants))] = new Range(RecipeSearch.FewestColourants, RecipeSearch.MostColourantsEver) { Usual = RecipeSearch.UsualMostColourants },
        [(typeof(LookAtRecipe.Request), nameof(LookAtRecipe.Request.PasteG))] = new Range(SearchCheck.LeastPasteG, SearchCheck.MostPasteG),
        [(typeof(RescueBatch.Request), nameof(RescueBatch.Request.HaveG))] = new Range(SearchCheck.LeastPasteG, SearchCheck.MostPasteG),
        [(typeof(RescueBatch.Request), nameof(RescueBatch.Request.NeedG))] = new Range(SearchCheck.LeastPasteG, SearchCheck.MostPasteG),
        [(typeof(PlanLetDown.Request), nameof(PlanLetDown.Request.UnitsWanted))] = new Range(0, PlanLetDown.MostUnits, IsAbove: true),
        [(typeof(PlanLetDown.Request), nameof(PlanLetDown.Request.PasteG))] = new Range(SearchCheck.LeastPasteG, SearchCheck.MostPasteG),
        [(typeof(PlanLetDown.Request), nameof(PlanLetDown.Request.ScaleG))] = new Range(BenchScale.FinestG, BenchScale.CoarsestG),
        [(typeof(KeepBatch.Request), nameof(KeepBatch.Request.Name))] = new Length(1, StudioRules.LongestName),
        [(typeof(KeepBatch.Request), nameof(KeepBatch.Request.PasteG))] = new Range(SearchCheck.LeastPasteG, SearchCheck.MostPasteG),
        [(typeof(KeepBatch.Request), nameof(KeepBatch.Request.Note))] = new Length(0, StudioRules.LongestNote),
        [(typeof(Making), nameof(Making.Grams))] = new Range(SearchCheck.LeastPasteG, SearchCheck.MostPasteG),
        [(typeof(Making), nameof(Making.LeftG))] = new Range(0, SearchCheck.MostPasteG),
        [(typeof(Making), nameof(Making.KeptIn))] = new Length(0, StudioRules.LongestKeptIn),

        [(typeof(SaveStudio.Request), nameof(SaveStudio.Request.Name))] = new Length(1, StudioRules.LongestName),
        [(typeof(SaveStudio.Request), nameof(SaveStudio.Request.Maker))] = new Length(0, StudioRules.LongestName),
        [(typeof(SaveStudio.Request), nameof(SaveStudio.Request.TimeZone))] = new Length(1, StudioRules.LongestTimeZone),
        [(typeof(SaveStudio.Request), nameof(SaveStudio.Request.Currency))] = new Length(3, 3),
        [(typeof(SaveStudio.Request), nameof(SaveStudio.Request.ScaleG))] = new Range(BenchScale.FinestG, BenchScale.CoarsestG),
        [(typeof(SaveStudio.Request), nameof(SaveStudio.Request.LeftoverDeltaE))] = new Range(Measuring.LeastDeltaE, Measuring.MostDeltaE),
        [(typeof(SaveStudio.Request), nameof(SaveStudio.Request.HolesMm))] = new Count(0, SizingHoles.MaxCount),
        [(typeof(CommissionDetails), nameof(CommissionDetails.Name))] = new Length(1, StudioRules.LongestName),
        [(typeof(CommissionDetails), nameof(CommissionDetails.Place))] = new Length(0, StudioRules.LongestPlace),
        [(typeof(CommissionDetails), nameof(CommissionDetails.RoomHumidityPercent))] = new Range(0, 100),
        [(typeof(CommissionDetails), nameof(CommissionDetails.RoomCelsius))] = new Range(StudioRules.ColdestCelsius, StudioRules.WarmestCelsius),
        [(typeof(CommissionDetails), nameof(CommissionDetails.MarginDays))] = new Range(0, StudioRules.MostMarginDays),
        [(typeof(CommissionDetails), nameof(CommissionDetails.ClientNote))] = new Length(0, StudioRules.LongestNote),
        [(typeof(CommissionDetails), nameof(CommissionDetails.OwnNote))] = new Length(0, StudioRules.LongestNote),
        [(typeof(ChangeCommissions.Copy), nameof(ChangeCommissions.Copy.Name))] = new Length(1, StudioRules.LongestName),
        [(typeof(ChangeCommissions.FlowerCopyRequest), nameof(ChangeCommissions.FlowerCopyRequest.Name))] = new Length(1, StudioRules.LongestName),
        [(typeof(ChangeFlowers.NewFlower), nameof(ChangeFlowers.NewFlower.Name))] = new Length(1, StudioRules.LongestName),
        [(typeof(ChangeFlowers.NewFlower), nameof(ChangeFlowers.NewFlower.Flowers))] = new Range(0, StudioRules.MostFlowers),
        [(typeof(ChangeFlowers.NewFlower), nameof(ChangeFlowers.NewFlower.Buds))] = new Range(0, StudioRules.MostFlowers),
        [(typeof(ChangeFlowers.Change), nameof(ChangeFlowers.Change.Name))] = new Length(1, StudioRules.LongestName),
        [(typeof(ChangeFlowers.Change), nameof(ChangeFlowers.Change.Flowers))] = new Range(0, StudioRules.MostFlowers),
        [(typeof(ChangeFlowers.Change), nameof(ChangeFlowers.Change.Buds))] = new Range(0, StudioRules.MostFlowers),
        [(typeof(SaveCounts.Request), nameof(SaveCounts.Request.Flowers))] = new Range(0, StudioRules.MostFlowers),
        [(typeof(SaveCounts.Request), nameof(SaveCounts.Request.Buds))] = new Range(0, StudioRules.MostFlowers),
        [(typeof(AddLogEntry.Request), nameof(AddLogEntry.Request.RestedHours))] = new Range(0, PasteReading.MostRestedHours),
        [(typeof(PredictLogEntry.Request), nameof(PredictLogEntry.Request.RestedHours))] = new Range(0, PasteReading.MostRestedHours),
        [(typeof(ChangeLogEntry.Request), nameof(ChangeLogEntry.Request.RestedHours))] = new Range(0, PasteReading.MostRestedHours),
        [(typeof(AddLogEntry.Request), nameof(AddLogEntry.Request.Note))] = new Length(0, StudioRules.LongestNote),
        [(typeof(ShowWhorl.Request), nameof(ShowWhorl.Request.Pieces))] = new Range(1, ShowWhorl.MostPieces),

        [(typeof(MaterialRecord), nameof(MaterialRecord.Name))] = new Length(1, MaterialRecordCheck.LongestName),
        [(typeof(MaterialRecord), nameof(MaterialRecord.Form))] = new Length(0, MaterialRecordCheck.LongestForm),
        [(typeof(MaterialRecord), nameof(MaterialRecord.DyeFamily))] = new Length(0, MaterialRecordCheck.LongestName),
        [(typeof(MaterialRecord), nameof(MaterialRecord.Note))] = new Length(0, MaterialRecordCheck.LongestNote),
        [(typeof(MaterialRecord), nameof(MaterialRecord.Lot))] = new Length(0, MaterialRecordCheck.LongestLot),
        [(typeof(MaterialRecord), nameof(MaterialRecord.Dabs))] = new Count(0, MaterialRecordCheck.MostDabs),
        [(typeof(MaterialRecord), nameof(MaterialRecord.Absorption))] = new Count(SpectralGrid.Bands, SpectralGrid.Bands),
        [(typeof(MaterialRecord), nameof(MaterialRecord.Scattering))] = new Count(SpectralGrid.Bands, SpectralGrid.Bands),
        [(typeof(MaterialRecord), nameof(MaterialRecord.Reflectance))] = new Count(SpectralGrid.Bands, SpectralGrid.Bands),
        [(typeof(DabReading), nameof(DabReading.Amount))] = new Range(0, MaterialRecordCheck.MostDabAmount, IsAbove: true),
        [(typeof(DabReading), nameof(DabReading.Reflectance))] = new Count(SpectralGrid.Bands, SpectralGrid.Bands),
        [(typeof(CharacteriseColour.Request), nameof(CharacteriseColour.Request.Dabs))] = new Count(1, MaterialRecordCheck.MostDabs),
        [(typeof(WeighUnit.Request), nameof(WeighUnit.Request.Count))] = new Range(1, UnitWeighing.MostWeighed),
        [(typeof(PictureMarks), nameof(PictureMarks.Samples))] = new Count(0, PictureMarks.MostSamples),
        [(typeof(ReadPicture.Request), nameof(ReadPicture.Request.Boxes))] = new Count(0, PictureProblems.MostBoxes),
        [(typeof(MeantFlower), nameof(MeantFlower.Loop))] = new Count(0, MeantFlower.MostPoints),
    };

    /// <summary>Writes down what limits a property, if anything does.</summary>
    public static void Describe(PropertyInfo property, OpenApiSchema shape)
    {
        if (Known.TryGetValue((property.DeclaringType!, property.Name), out var limit))
            limit.Describe(shape);
    }

    /// <summary>Figures of a jar: their check goes by a table of its own.</summary>
    private static IEnumerable<KeyValuePair<(Type, string), Limit>> OfMaterials() => MaterialRecordCheck.Ranges.Select(range =>
        KeyValuePair.Create((typeof(MaterialRecord), $"{char.ToUpperInvariant(range.Field[0])}{range.Field[1..]}"), (Limit)new Range(range.Least, range.Most)));

    private abstract record Limit
    {
        public abstract void Describe(OpenApiSchema shape);
    }

    /// <param name="IsAbove">The least itself is too little.</param>
    private sealed record Range(double Least, double Most, bool IsAbove = false) : Limit
    {
        /// <summary>What to ask for if there is no reason for another.</summary>
        public double? Usual { get; init; }

        public override void Describe(OpenApiSchema shape)
        {
            var least = Least.ToString(CultureInfo.InvariantCulture);
            if (IsAbove)
                shape.ExclusiveMinimum = least;
            else
                shape.Minimum = least;
            shape.Maximum = Most.ToString(CultureInfo.InvariantCulture);
            if (Usual is { } usual)
                shape.Default = JsonValue.Create(usual);
        }
    }

    private sealed record Length(int Least, int Most) : Limit
    {
        public override void Describe(OpenApiSchema shape) => (shape.MinLength, shape.MaxLength) = (Least > 0 ? Least : null, Most);
    }

    private sealed record Count(int Least, int Most) : Limit
    {
        public override void Describe(OpenApiSchema shape) => (shape.MinItems, shape.MaxItems) = (Least > 0 ? Least : null, Most);
    }
}
