using Merienda.Cli;

return CheckCommand.Run(args, Console.Out, Console.Error);
