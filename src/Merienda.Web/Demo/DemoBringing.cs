using System.Text.Json;
using Merienda.Formats;
using Merienda.Storage;
using Merienda.Web.Recipes;
using Microsoft.Extensions.Options;
using static Merienda.Web.Demo.DemoSeed;

namespace Merienda.Web.Demo;

/// <summary>What the demo's members bring to their group, and ask there.</summary>
public sealed class DemoBringing(
    Database database,
    PacketStore packets,
    SubmissionStore submissions,
    QuestionStore questions,
    IOptions<Microsoft.AspNetCore.Http.Json.JsonOptions> json
)
{
    internal async Task Fill(Tenant desk, DemoCircleFile circle, IReadOnlyDictionary<string, Guid> members, DateTimeOffset now)
    {
        var foods = (await database.Read(desk, packets.Foods)).Matcher;
        foreach (var brought in circle.Brought)
        {
            var draft = RecipeDrafts.Of(RecipeFile.Read(brought.Text).Value, foods, DemoRhythm);
            var id = Must(
                await submissions.Send(
                    Stamp(MemberOf(brought.By)),
                    null,
                    brought.IsNamed,
                    brought.Words,
                    JsonSerializer.SerializeToNode(
                        new[] { new RecipeToBring(draft, new Dictionary<string, string>()) },
                        json.Value.SerializerOptions
                    )!,
                    now.AddHours(-brought.Hours)
                )
            ).View;
            if (brought.AskedBack is { } line)
            {
                Must(await submissions.Answer(Stamp(desk), id, one => one.AskBack(line), "Asked back about a recipe", now));
            }
        }

        var others = new Queue<string>(circle.Names);
        foreach (var asked in circle.Asked)
        {
            var at = now.AddHours(-asked.Hours);
            var id = Must(
                await questions.Ask(Stamp(MemberOf(asked.By)), asked.Words, new(null, null, asked.Dish), asked.IsNamed, null, at)
            ).View;
            for (var one = 0; one < asked.Too; one++)
            {
                Must(await questions.AskToo(Stamp(MemberOf(others.Dequeue())), id, true));
            }

            if (asked.Answer.Length > 0)
            {
                Must(await questions.Answer(Stamp(desk), id, asked.Answer, asked.IsPinned, false, at.AddHours(5)));
            }
        }

        Must(await questions.SayHelp(Stamp(desk), circle.Help));

        Tenant MemberOf(string name) => desk with { Account = members[name], IsOutside = true };
    }
}
