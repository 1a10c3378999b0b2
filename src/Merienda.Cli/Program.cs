using System.Globalization;
using Merienda.Cli;

// The command line writes the same numbers on every machine.
CultureInfo.CurrentCulture = CultureInfo.InvariantCulture;
return CheckCommand.Run(args, Console.Out, Console.Error);
