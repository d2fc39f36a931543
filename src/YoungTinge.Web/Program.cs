using YoungTinge.Web.Hosting;

// "setup" prepares the database and ends; without it the server runs.
if (args is ["setup", .. var options])
    return await Setup.RunAsync(options);

var app = Server.Build(args);
await app.RunAsync();
return 0;

/// <summary>Public so that tests can host the application.</summary>
public partial class Program;
