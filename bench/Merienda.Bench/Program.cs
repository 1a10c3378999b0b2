using BenchmarkDotNet.Running;
using Merienda.Bench;

if (args is ["load", var address, .. var rest])
{
    await WeekLoad.Run(
        new Uri(address),
        rest is [var users, ..] ? int.Parse(users, System.Globalization.CultureInfo.InvariantCulture) : 50
    );
    return;
}

if (args is ["larder", var larder])
{
    await LarderLoad.Run(new Uri(larder));
    return;
}

if (args is ["library", var library])
{
    await LibraryLoad.Run(new Uri(library));
    return;
}

if (args is ["group", var group])
{
    await GroupLoad.Run(new Uri(group));
    return;
}

if (args is ["swaps"])
{
    SwapTimes.Run();
    return;
}

if (args is ["menu"])
{
    MenuTimes.Run();
    return;
}

if (args is ["sessions"])
{
    SessionBench.Run();
    return;
}

if (args is ["solve", var eaters, var recipes, ..])
{
    var plain = System.Globalization.CultureInfo.InvariantCulture;
    SolveTimes.Run(int.Parse(eaters, plain), int.Parse(recipes, plain), args is [.., "points"]);
    return;
}

BenchmarkSwitcher.FromAssembly(typeof(Program).Assembly).Run(args);
