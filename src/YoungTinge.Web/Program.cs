using YoungTinge.Web.Hosting;

// "setup" prepares the database and ends, "backup" and "restore" keep a studio and put it back; else the server runs.
if (args is ["setup", .. var options])
    return await Setup.RunAsync(options);
if (args is ["backup" or "restore"])
    return await Keeping.RunAsync(args[0]);

var app = Server.Build(args);
await app.RunAsync();
return 0;

/// <summary>Public so that tests can host the application.</summary>
public partial class Program;
