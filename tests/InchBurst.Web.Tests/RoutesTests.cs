using System.Net;
using System.Text.RegularExpressions;
using InchBurst.Data.Entities;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Mvc.Infrastructure;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.AspNetCore.Mvc.RazorPages.Infrastructure;
using Microsoft.AspNetCore.Routing;
using Microsoft.Extensions.DependencyInjection;

namespace InchBurst.Web.Tests;

/// <summary>Every page, every handler, every role: who is let in is written down here, and a page nobody decided about fails.</summary>
public sealed class RoutesTests
{
    // e: everybody; s: whoever signed in; o, c, t, v: owner, coach, timer, viewer.
    private static readonly Dictionary<string, string> Decided = new()
    {
        ["/Account/FirstRun"] = "e",
        ["/Account/SignIn"] = "e",
        ["/Trouble"] = "e",
        ["/Mine"] = "e",
        ["/Denied"] = "s",
        ["/Index"] = "s",
        ["/Account/You"] = "s",
        ["/Sessions/Trackside"] = "oct",
        ["/Sessions/Correct"] = "oct",
        ["/Sessions/Sheet"] = "ocv",
        ["/Sessions/Card"] = "ocv",
        ["/Season/Print"] = "ocv",
        ["/Settings/People"] = "o",
        ["/Settings/Log"] = "o",
        ["/Settings/Backup"] = "o",
        ["/Athletes/Data"] = "oc",
        ["/Athletes/Edit"] = "oc",
        ["/Athletes/Film"] = "oc",
        ["/Athletes/Index"] = "oc",
        ["/Athletes/Lifts"] = "oc",
        ["/Athletes/Link"] = "oc",
        ["/Athletes/Compare"] = "oc",
        ["/Athletes/Squad"] = "oc",
        ["/Athletes/WhatIf"] = "oc",
        ["/Athletes/Trend"] = "oc",
        ["/Athletes/Forces"] = "oc",
        ["/Athletes/Traces"] = "oc",
        ["/Athletes/Season"] = "oc",
        ["/Athletes/View"] = "oc",
        ["/Drills/Edit"] = "oc",
        ["/Drills/Index"] = "oc",
        ["/Drills/View"] = "oc",
        ["/Loads/Index"] = "oc",
        ["/Loads/Test"] = "oc",
        ["/Season/Calendar"] = "oc",
        ["/Season/Compare"] = "oc",
        ["/Season/Feed"] = "oc",
        ["/Season/Import"] = "oc",
        ["/Season/Index"] = "oc",
        ["/Season/Minutes"] = "oc",
        ["/Season/Often"] = "oc",
        ["/Season/Suggest"] = "oc",
        ["/Season/SuggestSession"] = "oc",
        ["/Season/Year"] = "oc",
        ["/Sessions/Edit"] = "oc",
        ["/Sessions/Index"] = "oc",
        ["/Sessions/Loads"] = "oc",
        ["/Sessions/New"] = "oc",
        ["/Sessions/Review"] = "oc",
        ["/Sessions/Versions"] = "oc",
        ["/Sessions/Testing"] = "oc",
        ["/Settings/Chips"] = "oc",
        ["/Settings/Files"] = "oc",
        ["/Settings/Index"] = "oc",
        ["/Settings/Kit"] = "oc",
        ["/Settings/School"] = "oc",
        ["/Settings/Schools"] = "oc",
        ["/Guide"] = "s",
    };

    [Fact]
    public async Task Every_page_and_handler_lets_in_whom_it_was_decided_to()
    {
        await using var house = await TestHouse.OpenAsync(demo: true);
        var pages = house.Services.GetRequiredService<IActionDescriptorCollectionProvider>().ActionDescriptors.Items.OfType<PageActionDescriptor>().GroupBy(p => p.ViewEnginePath).Select(g => g.First()).ToList();
        Assert.Equal(Decided.Keys.Order(StringComparer.Ordinal), pages.Select(p => p.ViewEnginePath).Order(StringComparer.Ordinal));
        var who = new Dictionary<char, Visitor>
        {
            ['-'] = house.Visitor(),
            ['o'] = await house.CoachAsync(),
            ['c'] = await house.PersonAsync("A coach", Roles.Coach),
            ['t'] = await house.PersonAsync("A timer", Roles.Timer),
            ['v'] = await house.PersonAsync("A viewer", Roles.Viewer),
        };
        var loader = house.Services.GetRequiredService<PageLoader>();
        var wrong = new List<string>();
        var asked = 0;
        foreach (var page in pages)
        {
            var compiled = await loader.LoadAsync(page, new EndpointMetadataCollection());
            var address = "/" + Regex.Replace(page.AttributeRouteInfo!.Template!, @"\{[^}]*\}", "49");
            foreach (var handler in compiled.HandlerMethods)
            {
                foreach (var (role, visitor) in who)
                {
                    asked++;
                    var path = handler.Name is { Length: > 0 } name ? $"{address}?handler={name}" : address;

                    // A form without its token is turned away only after it is known who sent it.
                    var (code, _, response) = handler.HttpMethod == "Get" ? await visitor.GetAsync(path) : await visitor.SendAsync(path, "");
                    var isIn = !(code == HttpStatusCode.Redirect && response.Headers.Location!.ToString() is var to && (to.Contains("/Denied", StringComparison.Ordinal) || to.Contains("/SignIn?ReturnUrl", StringComparison.Ordinal))) && code != HttpStatusCode.Forbidden;
                    var decided = Decided[page.ViewEnginePath];
                    var mayCome = decided == "e" || (role != '-' && (decided == "s" || decided.Contains(role, StringComparison.Ordinal)));

                    // What only the owner may do on a coach's page is said by the page.
                    if (isIn != mayCome && !(role == 'c' && page.ViewEnginePath is "/Settings/Files" or "/Athletes/Data" && handler.Name is "Club" or "Erase"))
                    {
                        wrong.Add($"{role} {handler.HttpMethod} {path}: {(isIn ? "let in" : "turned away")}");
                    }

                    if (code == HttpStatusCode.InternalServerError)
                    {
                        wrong.Add($"{role} {handler.HttpMethod} {path}: 500");
                    }
                }
            }
        }

        Assert.Empty(wrong);
        Assert.True(asked > 500);
    }

    [Fact]
    public async Task Nothing_that_is_typed_or_tampered_with_breaks_a_page()
    {
        await using var house = await TestHouse.OpenAsync(demo: true);
        var owner = await house.CoachAsync();
        var token = (await owner.PageAsync("/Settings")).QuerySelector("meta[name=form-token]")!.GetAttribute("content")!;
        var pages = house.Services.GetRequiredService<IActionDescriptorCollectionProvider>().ActionDescriptors.Items.OfType<PageActionDescriptor>().GroupBy(p => p.ViewEnginePath).Select(g => g.First()).ToList();
        var loader = house.Services.GetRequiredService<PageLoader>();
        string[] odd = ["99999999999", "١٢", "-1", "on", "", "\u0000", "<b>", "1e999", "2026-99-99", new string('9', 400)];
        var broken = new List<string>();
        var random = new Random(14);
        foreach (var page in pages.Where(p => p.ViewEnginePath is not ("/Account/SignIn" or "/Account/You" or "/Settings/People" or "/Settings/Backup")))
        {
            var compiled = await loader.LoadAsync(page, new EndpointMetadataCollection());
            var address = "/" + Regex.Replace(page.AttributeRouteInfo!.Template!, @"\{[^}]*\}", "49");
            foreach (var handler in compiled.HandlerMethods.Where(h => h.Name is not ("Retire" or "Erase" or "Club" or "Demo" or "Out")))
            {
                var names = handler.Parameters.Select(p => p.Name).Concat(page.ViewEnginePath is "/Settings/Index" or "/Athletes/Edit" ? compiled.HandlerTypeInfo.GetProperty("Input")!.PropertyType.GetProperties().Select(p => "Input." + p.Name) : []).Append("Part").Distinct().ToList();
                for (var round = 0; round < 4; round++)
                {
                    var fields = names.Select(n => (n, odd[random.Next(odd.Length)])).ToArray();
                    var path = handler.Name is { Length: > 0 } name ? $"{address}?handler={name}" : address;
                    var query = string.Join("&", fields.Select(f => $"{Uri.EscapeDataString(f.n)}={Uri.EscapeDataString(f.Item2)}"));
                    var (code, _, _) = handler.HttpMethod == "Get" ? await owner.GetAsync(path + (path.Contains('?', StringComparison.Ordinal) ? "&" : "?") + query) : await owner.SendAsync(path, token, fields);
                    if (code == HttpStatusCode.InternalServerError)
                    {
                        broken.Add($"{handler.HttpMethod} {path} {string.Join(' ', fields)}");
                    }
                }
            }
        }

        Assert.Equal("", string.Join("\n", broken));
    }
}
