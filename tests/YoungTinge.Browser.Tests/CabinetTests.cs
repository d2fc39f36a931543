namespace YoungTinge.Browser.Tests;

/// <summary>The cabinet to edit, colours learned from dabs, files in and out.</summary>
[Collection(OtherApplication.Name)]
public class CabinetTests(Application application)
{
    [Fact]
    public Task A_jar_is_added_weighed_and_retired_and_a_draft_outlives_a_reload() => application.InBrowserAsync(nameof(A_jar_is_added_weighed_and_retired_and_a_draft_outlives_a_reload), browser =>
    {
        browser.Open("/cabinet");
        browser.Click("link", "Add a material");
        browser.Fill("Name", "Pond weed");
        browser.Reload();
        Assert.Equal("Pond weed", browser.ValueOf("Name"));
        browser.Click("button", "Put it in the cabinet");
        browser.WaitForText("Give it a colour: from the label, or by dabs.");
        browser.Fill("Colour on the label", "#5b8a4a");
        browser.WaitForText("medium clear");
        browser.Click("button", "Put it in the cabinet");
        browser.Find("button", "Retire it");
        browser.WaitForText("Rough: from one colour on a label.");

        browser.Run("document.querySelector('details').open = true");
        browser.Fill("Together", "0.2");
        browser.Click("button", "Work it out");
        browser.WaitUntil("a touch of 0.02 g", () => browser.ValueOf("One touch weighs") == "0.02");
        browser.Fill("Name", "Rowan");
        browser.Click("button", "Save", exact: true);
        browser.WaitForText("Another material has this name already.");
        browser.Fill("Name", "Pond weed");
        browser.Click("checkbox", "gelatine");
        browser.Click("button", "Save", exact: true);
        browser.WaitForSaved();
        browser.Click("button", "Retire it");
        browser.WaitForText("Retired: still known where it was used");
        browser.Open("/cabinet");
        browser.Find("heading", "Colours for paste 24");
        browser.Click("checkbox", "Show 1 retired");
        browser.Find("heading", "Colours for paste 25");
        browser.Click("link", "Pond weed");
        browser.Click("button", "Remove it for good");
        browser.Click("button", "Yes, remove");
        browser.Find("heading", "Colours for paste 24");
        return Task.CompletedTask;
    });

    [Fact]
    public Task A_material_that_a_plan_names_stays() => application.InBrowserAsync(nameof(A_material_that_a_plan_names_stays), browser =>
    {
        browser.Open("/cabinet/wine-lees");
        browser.WaitForText("The plans take");
        browser.Find("link", "Hellebore, sepals");
        browser.Click("button", "Remove it for good");
        browser.Click("button", "Yes, remove");
        browser.WaitForText("cannot be removed. Retire it instead");
        return Task.CompletedTask;
    });

    [Fact]
    public Task Two_people_on_one_jar_never_overwrite_each_other() => application.InBrowserAsync(nameof(Two_people_on_one_jar_never_overwrite_each_other), browser =>
    {
        browser.Open("/cabinet/rowan");
        browser.Find("button", "Save", exact: true);
        browser.OpenTab(browser.Url);
        browser.Fill("Lot", "A 1");
        browser.Click("button", "Save", exact: true);
        browser.WaitForSaved();
        browser.SwitchToTab(0);
        browser.Fill("Lot", "B 2");
        browser.Click("button", "Save", exact: true);
        browser.WaitForText("Nothing has been overwritten yet.");
        browser.Click("button", "Take the other version");
        browser.WaitUntil("the other lot", () => browser.ValueOf("Lot") == "A 1");
        return Task.CompletedTask;
    });

    [Fact]
    public Task A_colour_is_learned_from_dabs() => application.InBrowserAsync(nameof(A_colour_is_learned_from_dabs), browser =>
    {
        browser.Open("/cabinet/woad");
        browser.Click("button", "Learn it from dabs");
        foreach (var way in new[] { "Colour reader", "By picture" })
        {
            for (var dab = 1; dab <= 4; dab++)
            {
                browser.Run("arguments[0].querySelectorAll('button')[arguments[1]].click()", browser.Find("listitem", $"Dab {dab}"), way == "By picture" ? 0 : 1);
                if (way == "By picture")
                {
                    browser.Find("region", $"Picture of dab {dab}");
                    browser.Click("button", "Use the practice light box");
                    browser.Click("button", "Use this reading");
                    continue;
                }

                browser.Find("region", $"Dab {dab} under the reader");
                browser.Click("button", "Use the practice reader");
                browser.WaitUntilGone("region", $"Dab {dab} under the reader");
            }

            // Reading takes a while: a reload does not cost it.
            browser.Reload();
            browser.Click("button", "Learn it from dabs");
            browser.Click("button", "Learn from 4 dabs");
            browser.WaitForText("Dabs come out within");
        }

        browser.Click("button", "Take this colour over");
        browser.Click("button", "Save", exact: true);
        browser.WaitForSaved();
        browser.WaitForText("Learned from dabs of this jar.");
        browser.WaitForText("Dabs that it was learned from");
        Assert.Empty(browser.ConsoleErrors());
        return Task.CompletedTask;
    });

    [Fact]
    public Task A_file_shows_what_would_happen_before_anything_is_stored() => application.InBrowserAsync(nameof(A_file_shows_what_would_happen_before_anything_is_stored), browser =>
    {
        browser.Open("/files");
        browser.Upload("Cabinet file", TestFiles.Write("bad.csv", "name;kind;stock_g\nRowan;colourant;7,5\nPetal glue;adhesive;a lot\n=1+1;adhesive;3\n"));
        browser.WaitForText("2 lines cannot be taken in.");
        browser.Find("row", "3cannot bePetal gluestock_g: This cannot be read as a number.");
        browser.Find("row", "4cannot be=1+1name: This is a formula.");
        Assert.False(browser.Has("button", "Take 1 line in"));
        browser.Upload("Cabinet file", TestFiles.Write("columns.csv", "title,colour\nRowan,red\n"));
        browser.WaitForText("These columns are not known: title, colour.");
        browser.Upload("Cabinet file", TestFiles.Write("good.csv", "name;kind;stock_g\nRowan;colourant;7,5\nPetal glue;adhesive;30\n"));
        browser.Click("button", "Take 2 lines in");
        browser.WaitForText("1 added, 1 changed.");
        browser.Open("/cabinet/rowan");
        browser.WaitUntil("the new stock", () => browser.ValueOf("In stock") == "7.5");
        browser.Open("/cabinet/petal-glue");
        browser.WaitUntil("the new jar", () => browser.ValueOf("In stock") == "30");
        return Task.CompletedTask;
    });

    [Fact]
    public Task What_runs_short_is_said_in_the_cabinet_and_where_it_is_used() => application.InBrowserAsync(nameof(What_runs_short_is_said_in_the_cabinet_and_where_it_is_used), browser =>
    {
        browser.Open("/cabinet");
        browser.WaitForText("runs short by 4.0 g: 4.8 g are needed for");
        browser.Open("/");
        browser.Click("link", "Ivy");
        browser.Click("link", "Large leaves");
        browser.WaitForText("runs short by 4.0 g: all plans together take 4.8 g.");
        browser.Open("/cabinet/harts-tongue");
        browser.WaitForText("It runs short by 4.0 g.");
        browser.Fill("In stock", "30");
        browser.Click("button", "Save", exact: true);
        browser.WaitForText("There is enough.");
        return Task.CompletedTask;
    });

    [Fact]
    public Task A_retired_dust_leaves_the_tray_but_not_the_plan() => application.InBrowserAsync(nameof(A_retired_dust_leaves_the_tray_but_not_the_plan), browser =>
    {
        browser.OpenSepals();
        browser.Find("button", "Add a coat: Nettle");
        browser.Open("/cabinet/nettle");
        browser.Click("button", "Retire it");
        browser.WaitForText("no longer offered");
        browser.OpenSepals();
        browser.Find("button", "Add a coat: Vixen");
        Assert.False(browser.Has("button", "Add a coat: Nettle"));
        browser.OpenColumn("DustNettle");
        browser.Find("region", "Dust: Nettle");
        return Task.CompletedTask;
    });

    [Fact]
    public Task A_dust_is_learned_from_a_table_of_spectra() => application.InBrowserAsync(nameof(A_dust_is_learned_from_a_table_of_spectra), browser =>
    {
        var nm = Enumerable.Range(0, 36).Select(band => 380 + 10 * band).ToArray();
        string Row(int id, double load) => FormattableString.Invariant($"{id} {load} ")
            + string.Join(' ', nm.Select(one => (0.9 - (one < 600 ? 0.5 : 0.05) * (1 - Math.Exp(-3 * load))).ToString("0.0000", System.Globalization.CultureInfo.InvariantCulture)));
        var table = $"CGATS.17\nBEGIN_DATA_FORMAT\nSAMPLE_ID AMOUNT {string.Join(' ', nm.Select(one => $"NM{one}"))}\nEND_DATA_FORMAT\nBEGIN_DATA\n{Row(1, 0.1)}\n{Row(2, 0.3)}\n{Row(3, 0.6)}\nEND_DATA\n";
        browser.Open("/cabinet/vixen");
        browser.Click("button", "Learn it from dabs");
        browser.Upload("Table of spectra", TestFiles.Write("words.txt", "no spectra here"));
        browser.WaitForText("This is no table of spectra");
        browser.Upload("Table of spectra", TestFiles.Write("dabs.txt", table));
        browser.Click("button", "Learn from 3 dabs");
        browser.WaitForText("Dabs come out within");
        browser.Fill("Dose of dab 2", "0.1");
        browser.Click("button", "Learn from 3 dabs");
        browser.WaitForText("Two dabs have the same dose.");
        return Task.CompletedTask;
    });

    [Fact]
    public Task Entries_kept_by_hand_come_into_the_logbook() => application.InBrowserAsync(nameof(Entries_kept_by_hand_come_into_the_logbook), browser =>
    {
        const string head = "logged_at;flower;piece;of;predicted_l;predicted_a;predicted_b;actual_l;actual_a;actual_b;note\n";
        browser.Open("/logbook");
        browser.Click("link", "Take it out as a file");
        browser.Upload("Logbook file", TestFiles.Write("log.csv", head + "2026-05-04;Hellebore;Sepals;paste;90,1;-4;12;89;-4;13,5;Kept by hand\n2026-05-05;Hellebore;Wings;paste;90;-4;12;89;-4;13;\n"));
        browser.WaitForText("1 line cannot be taken in.");
        browser.WaitForText("No piece is called that. “Hellebore, Wings”");
        browser.Upload("Logbook file", TestFiles.Write("log.csv", head + "2026-05-04;Hellebore;Sepals;paste;90,1;-4;12;89;-4;13,5;Kept by hand\n"));
        browser.Click("button", "Take 1 line in");
        browser.WaitForText("1 added.");
        browser.Open("/logbook");
        browser.WaitForText("Kept by hand");
        return Task.CompletedTask;
    });

    [Fact]
    public Task An_archive_takes_the_place_of_the_studio_and_that_can_be_taken_back() => application.InBrowserAsync(nameof(An_archive_takes_the_place_of_the_studio_and_that_can_be_taken_back), async browser =>
    {
        var archive = await TestFiles.ArchiveAsync(application.Http);
        browser.Open("/cabinet/edible-glue");
        browser.Click("button", "Remove it for good");
        browser.Click("button", "Yes, remove");
        browser.Find("heading", "Glue 1");
        browser.Open("/files");
        browser.Upload("Studio archive", TestFiles.Write("torn.json", "{\"format\":"));
        browser.WaitForText("This is no archive of a studio.");
        browser.Upload("Studio archive", archive);
        browser.Click("button", "Yes, put it in place");
        browser.WaitForText("This is now Saltmarsh Lane Sugar Room as it was archived.");
        browser.Open("/cabinet");
        browser.Find("heading", "Glue 2");
        browser.Open("/files");
        browser.Click("button", "Bring it back");
        browser.WaitForText("This is now Saltmarsh Lane Sugar Room");
        browser.Open("/cabinet");
        browser.Find("heading", "Glue 1");
    });
}
