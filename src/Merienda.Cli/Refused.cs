using Merienda.Core.Outcomes;

namespace Merienda.Cli;

/// <summary>How every command says that it cannot do what was asked.</summary>
internal static class Refused
{
    public const int Exit = 2;

    public static int Say(string command, Refusal refusal, TextWriter errors)
    {
        errors.WriteLine($"merienda {command}: {refusal} ({refusal.Code})".ReplaceLineEndings(" "));
        return Exit;
    }
}
