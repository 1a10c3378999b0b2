using System.Reflection;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;
using System.Threading.RateLimiting;
using Merienda.Core.Shopping;
using Merienda.Formats;
using Merienda.Storage;
using Merienda.Storage.Edits;
using Merienda.Web.Accounts;
using Merienda.Web.Demo;
using Merienda.Web.Mail;
using Merienda.Web.Weeks.Solving;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.DataProtection.KeyManagement;
using Microsoft.AspNetCore.Identity;
using Npgsql;

namespace Merienda.Web.Hosting;

/// <summary>Puts the application together: services, pipeline and the database's preparation at start.</summary>
public static class MeriendaHost
{
    public const string SignInLimit = "sign-in";

    /// <summary>The build starts the program once to write the OpenAPI document; there is no database then.</summary>
    private static bool IsDescribing => Assembly.GetEntryAssembly()?.GetName().Name == "GetDocument.Insider";

    public static void AddMerienda(this WebApplicationBuilder builder)
    {
        var services = builder.Services;
        builder.WebHost.ConfigureKestrel(kestrel => kestrel.Limits.MaxRequestBodySize = 1_000_000);
        services.ConfigureHttpJsonOptions(json =>
        {
            json.SerializerOptions.NumberHandling = JsonNumberHandling.Strict;
            // What a request leaves out or leaves null, and may not, is refused by its name.
            json.SerializerOptions.RespectNullableAnnotations = true;
            json.SerializerOptions.RespectRequiredConstructorParameters = true;
            json.SerializerOptions.TypeInfoResolver = json.SerializerOptions.TypeInfoResolver?.WithAddedModifier(NullFreeLists.Hold);
            // A converter of our own would hide from the description that text is text.
            if (!IsDescribing)
            {
                json.SerializerOptions.Converters.Add(new KeepableText());
            }

            json.SerializerOptions.Converters.Add(new JsonStringEnumConverter(System.Text.Json.JsonNamingPolicy.CamelCase));
        });
        services.AddOpenApi();
        services.AddResponseCompression(compression =>
        {
            // A week is 65 kB of plain JSON. The one answer that carries a secret beside what a visitor sent is left alone (below).
            compression.EnableForHttps = true;
            compression.MimeTypes = ["application/json", "application/problem+json", "text/csv", "text/calendar"];
        });
        services.AddProblemDetails(problems => problems.CustomizeProblemDetails = context => Problems.Word(context.ProblemDetails));
        services.AddExceptionHandler<UnexpectedErrors>();
        // What cannot be read goes through the same handler as every other error, in every environment.
        services.Configure<RouteHandlerOptions>(routes => routes.ThrowOnBadRequest = true);
        services.AddStores(builder.Configuration);
        services.AddSingleton<Table.EffectReader>();
        services.AddSingleton<LiveUpdates>();
        services.AddSingleton<Weeks.Cooking.SessionOrders>();
        services.AddSingleton<Groups.MenuReadings>();
        services.AddSingleton<Groups.MenuOrders>();
        services.AddSingleton<MailSeal>();
        services.AddSingleton(provider => new MailStore(
            provider.GetRequiredService<Database>(),
            provider.GetRequiredService<MailSeal>().Seal
        ));
        services.AddSingleton(provider => new InvitationStore(
            provider.GetRequiredService<EditDoor>(),
            provider.GetRequiredService<MailSeal>().Seal
        ));
        services.AddSingleton<DigestRound>();
        if (!IsDescribing)
        {
            services.AddHostedService(provider => provider.GetRequiredService<LiveUpdates>());
            services.AddHostedService(provider => provider.GetRequiredService<DigestRound>());
            // Tests look at the worker itself, in their own process.
            if (builder.Configuration.GetValue("Solving:Apart", true))
            {
                services.AddHostedService<SolveProcesses>();
            }
            else
            {
                services.AddHostedService<SolveWorker>();
            }
        }

        services.AddSingleton<AccountStore>();
        services.AddSingleton<DemoLibrary>();
        services.AddSingleton<DemoLarder>();
        services.AddSingleton<DemoCircle>();
        services.AddSingleton<DemoBringing>();
        services.AddSingleton<DemoSeed>();
        services.AddHttpContextAccessor();
        services.AddIdentity();
        services.AddDataProtection().SetApplicationName("Merienda");
        if (!IsDescribing)
        {
            services
                .AddOptions<KeyManagementOptions>()
                .Configure<NpgsqlDataSource>((keys, source) => keys.XmlRepository = new DataProtectionKeys(source));
        }

        services.AddAntiforgery(antiforgery =>
        {
            antiforgery.HeaderName = "X-Antiforgery";
            antiforgery.Cookie.Name = "merienda-antiforgery";
            // The framework refuses "always" on plain http://localhost; behind TLS this is secure too.
            antiforgery.Cookie.SecurePolicy = CookieSecurePolicy.SameAsRequest;
            antiforgery.Cookie.SameSite = SameSiteMode.Strict;
        });
        services.AddRateLimiter(limiter =>
        {
            var perMinute = builder.Configuration.GetValue("SignInsPerMinute", 20);
            limiter.RejectionStatusCode = StatusCodes.Status429TooManyRequests;
            limiter.OnRejected = async (context, _) =>
                await TypedResults
                    .Problem(statusCode: 429, title: "Too many attempts from here.", detail: "Wait a minute and try again.")
                    .ExecuteAsync(context.HttpContext);
            limiter.AddPolicy(
                SignInLimit,
                context =>
                    RateLimitPartition.GetFixedWindowLimiter(
                        context.Connection.RemoteIpAddress?.ToString() ?? "local",
                        _ => new FixedWindowRateLimiterOptions { PermitLimit = perMinute, Window = TimeSpan.FromMinutes(1) }
                    )
            );
        });
    }

    /// <summary>What a process needs that reads and writes households, whether it serves people or solves weeks.</summary>
    public static void AddStores(this IServiceCollection services, IConfiguration configuration)
    {
        services.AddSingleton(TimeProvider.System);
        services.AddSingleton(_ =>
            NpgsqlDataSource.Create(
                new NpgsqlConnectionStringBuilder(Connection(configuration, "App"))
                {
                    // The same few statements are asked all day: planned once a connection, not once a request.
                    MaxAutoPrepare = 200,
                    AutoPrepareMinUsages = 2,
                    // Fewer than the database grants, so that a second instance and a look by hand find room; who waits too long is
                    // told to come again.
                    MaxPoolSize = configuration.GetValue("DatabaseConnections", 40),
                    Timeout = 10,
                }
            )
        );
        services.AddSingleton<Database>();
        services.AddSingleton<KnowledgeBase>();
        services.AddSingleton<Tables>();
        services.AddSingleton<EditDoor>();
        services.AddSingleton<UndoDoor>();
        services.AddSingleton<Func<StoredTable, Core.Planning.Table>>(provider => provider.GetRequiredService<Tables>().Of);
        services.AddSingleton<Func<PacketKnowledge>>(provider => () => provider.GetRequiredService<KnowledgeBase>().Packets);
        services.AddSingleton<Func<FoodCatalogue>>(provider => () => provider.GetRequiredService<KnowledgeBase>().Foods);
        services.AddSingleton<Func<Core.Protocols.Protocol, string>>(ProtocolFile.Write);
        services.AddSingleton<Func<Core.Protocols.Protocol, Func<string, string>, Core.Protocols.Protocol>>(ProtocolFile.Naming);
        services.AddSingleton<HouseholdStore>();
        services.AddSingleton<ProtocolStore>();
        services.AddSingleton<KitchenStore>();
        services.AddSingleton<RecipeHistory>();
        services.AddSingleton<LibraryStore>();
        services.AddSingleton<PictureStore>();
        services.AddSingleton<DiaryStore>();
        services.AddSingleton<RemarkStore>();
        services.AddSingleton<RhythmStore>();
        services.AddSingleton<MemberStore>();
        services.AddSingleton<GroupStore>();
        services.AddSingleton<MenuStore>();
        services.AddSingleton<PublishedMenus>();
        services.AddSingleton<EnclosureStore>();
        services.AddSingleton<SubmissionStore>();
        services.AddSingleton<QuestionStore>();
        services.AddSingleton<QuestionReading>();
        services.AddSingleton<ShareStore>();
        services.AddSingleton<RecipeVersions>();
        services.AddSingleton<RecipeStore>();
        services.AddSingleton<PacketStore>();
        services.AddSingleton<LearntWords>();
        services.AddSingleton<StockStore>();
        services.AddSingleton<PriceStore>();
        services.AddSingleton<ShopStore>();
        services.AddSingleton<Func<SoldAs>>(provider => () => provider.GetRequiredService<KnowledgeBase>().SoldAs);
        services.AddSingleton<BoxStore>();
        services.AddSingleton<LogStore>();
        services.AddSingleton<WeightStore>();
        services.AddSingleton<Func<Core.Planning.Household, DateOnly>>(provider =>
            household => HouseholdClock.Today(provider.GetRequiredService<TimeProvider>(), household.TimeZone)
        );
        services.AddSingleton<KeptWeeks>();
        services.AddSingleton<WeekReading>();
        services.AddSingleton<WeekStore>();
        services.AddSingleton<TickStore>();
        services.AddSingleton<SolveJobs>();
        services.AddSingleton<SolveBell>();
    }

    public static void UseMeriendaPipeline(this WebApplication app)
    {
        app.UseExceptionHandler();
        app.UseWhen(context => !context.Request.Path.StartsWithSegments("/api/account"), rest => rest.UseResponseCompression());
        app.UseMiddleware<ReadableRequest>();
        app.UseStatusCodePages();
        app.UseMiddleware<SecurityHeaders>();
        app.UseAuthentication();
        app.UseAuthorization();
        app.UseRateLimiter();
        app.UseMiddleware<NumberFormat>();
    }

    public static void MapHealth(this WebApplication app)
    {
        app.MapGet("/health/live", () => TypedResults.Ok("live")).ExcludeFromDescription();
        app.MapGet(
                "/health/ready",
                async (NpgsqlDataSource source) =>
                {
                    await using var connection = await source.OpenConnectionAsync();
                    return TypedResults.Ok("ready");
                }
            )
            .ExcludeFromDescription();
    }

    /// <summary>Migrates, loads the shipped knowledge and, when demo data is on, seeds the demo people.</summary>
    public static async Task PrepareDatabase(this WebApplication app)
    {
        if (IsDescribing)
        {
            return;
        }

        if (app.Configuration.GetConnectionString("Owner") is { } owner)
        {
            var shipped = DataFiles.Load(DataFiles.Find());
            Migrator.Run(owner);
            await Knowledge.LoadAsync(
                owner,
                shipped.Foods.Foods,
                shipped.Protocols.Select(protocol => new ShippedProtocol(protocol.Id, ProtocolFile.Write(protocol)))
            );
        }

        await app.Services.LoadKnowledge();
        if (app.Configuration.GetValue("Demo", false))
        {
            await app.Services.GetRequiredService<DemoSeed>().Run();
        }
    }

    /// <summary>Reads what is shipped and what the database holds of it.</summary>
    public static Task LoadKnowledge(this IServiceProvider services)
    {
        var shipped = DataFiles.Load(DataFiles.Find());
        return services
            .GetRequiredService<KnowledgeBase>()
            .Load(
                shipped.Classes,
                shipped.Foods.Words,
                LineWords.LoadKinds(Path.Combine(DataFiles.Find(), "kinds.csv")),
                StatementWords.Load(Path.Combine(DataFiles.Find(), "statement-words.csv"), shipped.Classes),
                withKey => SoldAsFile.Load(Path.Combine(DataFiles.Find(), "sold-as.csv"), withKey)
            );
    }

    private static void AddIdentity(this IServiceCollection services)
    {
        services
            .AddIdentityCore<Account>(identity =>
            {
                // Length is what makes a password hard to guess; rules about kinds of characters are not.
                identity.Password = new PasswordOptions
                {
                    RequiredLength = 10,
                    RequireDigit = false,
                    RequireLowercase = false,
                    RequireUppercase = false,
                    RequireNonAlphanumeric = false,
                    RequiredUniqueChars = 4,
                };
                identity.Lockout = new LockoutOptions
                {
                    MaxFailedAccessAttempts = 5,
                    DefaultLockoutTimeSpan = TimeSpan.FromMinutes(5),
                    AllowedForNewUsers = true,
                };
                identity.User.RequireUniqueEmail = true;
            })
            .AddUserStore<AccountStore>()
            .AddClaimsPrincipalFactory<HouseholdClaims>()
            .AddSignInManager();
        services.AddAuthentication(IdentityConstants.ApplicationScheme).AddIdentityCookies();
        services.ConfigureApplicationCookie(cookie =>
        {
            cookie.Cookie.Name = "merienda";
            cookie.Cookie.HttpOnly = true;
            cookie.Cookie.SecurePolicy = CookieSecurePolicy.Always;
            cookie.Cookie.SameSite = SameSiteMode.Strict;
            cookie.ExpireTimeSpan = TimeSpan.FromDays(30);
            cookie.Events.OnRedirectToLogin = context => Answer(context.HttpContext, StatusCodes.Status401Unauthorized, "Sign in first.");
            cookie.Events.OnRedirectToAccessDenied = context =>
                Answer(context.HttpContext, StatusCodes.Status403Forbidden, "This is not yours to see.");
        });
        services.AddAuthorization();
    }

    private static Task Answer(HttpContext context, int status, string title) =>
        TypedResults.Problem(statusCode: status, title: title).ExecuteAsync(context);

    private static string Connection(IConfiguration configuration, string name) =>
        configuration.GetConnectionString(name)
        ?? throw new InvalidOperationException($"ConnectionStrings:{name} is not set; start Merienda with ./merienda start.");
}
