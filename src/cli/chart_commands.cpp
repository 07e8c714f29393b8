// SPDX-License-Identifier: GPL-3.0-or-later
#include <cmath>
#include <cstdio>
#include <memory>
#include <ostream>

#include "chart/chart.h"
#include "cli/command_set.h"
#include "cli/json_out.h"
#include "cli/read_input.h"
#include "render/drawings/sheet.h"
#include "render/headless.h"
#include "render/picture_of.h"

namespace yemvo::cli {
namespace {

/// What a person may know better than the program; empty: as it finds it.
struct Wish {
    std::string file, colour;
    int page = 1, chart = 1;
    std::optional<double> ring_db, zero_deg, outer_px;
    std::vector<double> centre_px;
    bool clockwise = false, counter_clockwise = false;
};

Colour parse_colour(const std::string& text) {
    unsigned red = 0, green = 0, blue = 0;
    char rest = 0;
    if (std::sscanf(text.c_str(), "#%2x%2x%2x%c", &red, &green, &blue, &rest) != 3)
        throw Error(say("'%1' is no colour", text), {}, say("Write it as #c01818"));
    return {static_cast<std::uint8_t>(red), static_cast<std::uint8_t>(green),
            static_cast<std::uint8_t>(blue)};
}

std::string colour_text(Colour c) {
    char text[8];
    std::snprintf(text, sizeof text, "#%02x%02x%02x", unsigned{c.red}, unsigned{c.green}, unsigned{c.blue});
    return text;
}

FoundChart chosen(const std::vector<FoundChart>& charts, const Wish& wish) {
    if (charts.empty() && (wish.centre_px.empty() || !wish.outer_px))
        throw Error(say("holds no round chart that can be seen"), wish.file,
                    say("Tell its --centre and its --outer ring"));
    if (wish.chart < 1 || (wish.chart > 1 && static_cast<std::size_t>(wish.chart) > charts.size()))
        throw Error(say_counted("has %n chart, not %1", "has %n charts, not %1", charts.size(), wish.chart),
                    wish.file, say("Choose one of them"));
    FoundChart found = charts.empty() ? FoundChart{} : charts[static_cast<std::size_t>(wish.chart) - 1];
    const double spacing_px =
        found.frame.db_per_px > 0 ? found.ring_db / found.frame.db_per_px : wish.outer_px.value_or(0) / 4;
    if (!wish.centre_px.empty()) found.frame.centre_px = {wish.centre_px[0], wish.centre_px[1]};
    if (wish.outer_px) found.frame.outer_px = *wish.outer_px;
    if (wish.ring_db) {
        found.ring_db = *wish.ring_db;
        found.ring_db_guessed = false;
    }
    found.frame.db_per_px = found.ring_db / spacing_px;
    if (wish.zero_deg) {
        found.frame.zero_deg = *wish.zero_deg;
        found.angles_guessed = false;
    }
    if (wish.clockwise || wish.counter_clockwise) found.frame.clockwise = wish.clockwise;
    return found;
}

Json to_json(const FoundChart& found, const TracedCurve& curve, std::size_t charts) {
    Json attenuation = Json::array(), guessed = Json::array();
    for (int degree = 0; degree < Cut::degrees; ++degree) {
        attenuation.push_back(std::abs(rounded(curve.cut[degree], 3)));
        if (curve.guessed[static_cast<std::size_t>(degree)]) guessed.push_back(degree);
    }
    return {{"charts", charts},
            {"centre_px", {rounded(found.frame.centre_px.x, 2), rounded(found.frame.centre_px.y, 2)}},
            {"outer_px", rounded(found.frame.outer_px, 2)},
            {"ring_db", found.ring_db},
            {"ring_db_guessed", found.ring_db_guessed},
            {"db_per_px", rounded(found.frame.db_per_px, 4)},
            {"zero_deg", rounded(found.frame.zero_deg, 2)},
            {"clockwise", found.frame.clockwise},
            {"angles_guessed", found.angles_guessed},
            {"labels_read", found.labels_read},
            {"colour", colour_text(curve.colour)},
            {"error_db", rounded(curve.error_db, 3)},
            {"guessed_share", rounded(curve.guessed_share(), 4)},
            {"guessed_deg", guessed},
            {"attenuation_db", attenuation}};
}

int trace(Context& context, const Wish& wish) {
    const render::Headless headless;
    const std::string all = read_input(wish.file, say("Name a picture or a PDF in it"));
    const auto* begin = reinterpret_cast<const std::byte*>(all.data());
    const auto bytes = std::make_shared<const Bytes>(begin, begin + all.size());
    const DrawingKind kind = render::kind_of_file(*bytes, wish.file);
    const auto sheet = render::open_sheet(bytes, kind, wish.page - 1, wish.file);
    Picture picture = render::picture_of(render::image_of(*sheet));
    picture.name = wish.file;
    const std::vector<FoundChart> charts = find_charts(picture);
    const FoundChart found = chosen(charts, wish);
    CurveWishes wishes;
    if (!wish.colour.empty()) wishes.colour = parse_colour(wish.colour);
    const TracedCurve curve = follow_curve(picture, found, wishes);
    if (context.json) return print(context, to_json(found, curve, charts.size())), done;
    char line[300];
    std::snprintf(line, sizeof line,
                  "%zu charts; centre %.1f, %.1f px; rings of %g dB every %.1f px%s; 0 at %.1f° %s%s; curve "
                  "%s, %.0f %% "
                  "guessed, ± %.2f dB\n",
                  charts.size(), found.frame.centre_px.x, found.frame.centre_px.y, found.ring_db,
                  found.ring_db / found.frame.db_per_px, found.ring_db_guessed ? " (guessed)" : "",
                  found.frame.zero_deg, found.frame.clockwise ? "clockwise" : "counter-clockwise",
                  found.angles_guessed ? " (guessed)" : "", colour_text(curve.colour).c_str(),
                  100 * curve.guessed_share(), curve.error_db);
    context.out << line;
    return done;
}

}  // namespace

void add_chart_command(CLI::App& pattern, Context& context) {
    const auto wish = std::make_shared<Wish>();
    CLI::App* command =
        add_command(pattern, context, "trace", "The curve of a round chart in a picture, photo or PDF",
                    "pattern trace sheet.png --json", [&context, wish] { return trace(context, *wish); });
    command->add_option("file", wish->file, "The picture or PDF")->required();
    command->add_option("--page", wish->page, "Page of a PDF, from 1")->check(CLI::Range(1, 100'000));
    command->add_option("--chart", wish->chart, "Which chart of the picture, the largest first");
    command->add_option("--ring", wish->ring_db, "dB between two rings")->check(CLI::Range(0.01, 100.0));
    command->add_option("--zero", wish->zero_deg, "Direction of 0 in the picture, degrees clockwise from up");
    command->add_flag("--clockwise", wish->clockwise, "Angles run clockwise");
    command->add_flag("--counter-clockwise", wish->counter_clockwise, "Angles run counter-clockwise")
        ->excludes("--clockwise");
    command->add_option("--colour", wish->colour, "Of the curve, as #c01818");
    command->add_option("--centre", wish->centre_px, "x and y of the centre in pixels")->expected(2);
    command->add_option("--outer", wish->outer_px, "Radius of the outermost ring in pixels")
        ->check(CLI::Range(10.0, 100'000.0));
}

}  // namespace yemvo::cli
