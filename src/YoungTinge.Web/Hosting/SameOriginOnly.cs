namespace YoungTinge.Web.Hosting;

/// <summary>Another site open in the same browser must not be able to change anything here.</summary>
internal sealed class SameOriginOnly(RequestDelegate next)
{
    public async Task InvokeAsync(HttpContext context)
    {
        var from = context.Request.Headers["Sec-Fetch-Site"].ToString();
        var reads = HttpMethods.IsGet(context.Request.Method) || HttpMethods.IsHead(context.Request.Method);
        if (!reads && from is not ("" or "same-origin" or "none"))
        {
            await Trouble.Result(StatusCodes.Status403Forbidden, TroubleCode.OtherSite).ExecuteAsync(context);
            return;
        }

        await next(context);
    }
}
