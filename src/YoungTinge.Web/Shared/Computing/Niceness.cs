using System.Runtime.InteropServices;

namespace YoungTinge.Web.Shared.Computing;

/// <summary>How much of the cores a thread gets while others want them too. Priorities of .NET are not passed on to Linux.</summary>
internal static class Niceness
{
    /// <summary>With 10, about a tenth of what an ordinary thread gets (sched(7)); all there is while nobody else wants it.</summary>
    private const int Patient = 10;

    private const int OfThread = 0;

    /// <summary>The calling thread lets all ordinary ones go first. Where that is not to be had, everything is as it was, only slower.</summary>
    public static void GiveWay()
    {
        if (OperatingSystem.IsLinux())
            // To Linux a "process" with number 0 is the calling thread, see setpriority(2).
            _ = SetPriority(OfThread, 0, Patient);
    }

    [DllImport("libc", EntryPoint = "setpriority")]
    private static extern int SetPriority(int which, uint who, int priority);
}
