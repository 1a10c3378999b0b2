using System.Globalization;
using Merienda.Cli;

// The command line writes the same numbers on every machine.
CultureInfo.CurrentCulture = CultureInfo.InvariantCulture;
return args is ["read", ..] ? ReadCommand.Run(args[1..], Console.Out, Console.Error)
    : args is ["plan", ..] ? PlanCommand.Run(args[1..], DateOnly.FromDateTime(DateTime.Today), Console.Out, Console.Error)
    : CheckCommand.Run(args is ["check", ..] ? args[1..] : args, Console.Out, Console.Error);
