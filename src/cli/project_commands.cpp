// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cctype>
#include <charconv>
#include <cmath>
#include <cstdio>
#include <filesystem>
#include <fstream>
#include <memory>
#include <ostream>

#include "base/number_text.h"
#include "capacity/capacity_verdict.h"
#include "cli/command_set.h"
#include "cli/json_out.h"
#include "coverage/floor_by_floor.h"
#include "demo/demo.h"
#include "project/storage.h"
#include "render/plan_picture.h"

namespace yemvo::cli {
namespace {

int write_demo(Context& context, const std::string& file) {
    save_project(demo::make_demo(), file);
    if (context.json)
        print(context, {{"file", file}});
    else
        context.out << "Wrote " << file << "\n";
    return done;
}

int info(Context& context, const std::string& file) {
    const Json json = to_json(load(context, file));
    if (context.json) return print(context, json), done;
    context.out << json["project"].get<std::string>() << ", " << json["country"].get<std::string>() << "\n";
    for (const Json& f : json["floors"])
        context.out << "  " << f["building"].get<std::string>() << ", " << f["name"].get<std::string>()
                    << ", at " << f["elevation_m"] << " m, " << f["height_m"] << " m high: " << f["walls"]
                    << " walls, " << f["openings"] << " doors and windows, " << f["zones"] << " zones, "
                    << f["access_points"] << " access points\n";
    return done;
}

struct PredictWish {
    std::string file, floor, lens, out;
    std::vector<std::string> bands;
    std::vector<int> access_points;
    std::optional<double> cell_m;
};

/// Every cell of the floor; one that nothing reaches has no value.
void write_csv(const std::string& file, const FloorPrediction& p, const std::vector<float>& values) {
    std::ofstream csv(file);
    csv << "x_m,y_m,value\n";
    for (std::size_t i = 0; i < values.size(); ++i) {
        if (!p.mask->inside[i]) continue;
        const Point at = p.surface.centre(i);
        csv << plain_number(at.x, 3) << ',' << plain_number(at.y, 3) << ','
            << (std::isfinite(values[i]) ? plain_number(double{values[i]}, 2) : std::string()) << '\n';
    }
    csv.flush();
    if (!csv) throw Error(say("could not be written"), file, say("Choose another place"));
}

/// The ending of a file name in small letters: ".png".
std::string ending_of(const std::string& file) {
    std::string ending = std::filesystem::path(file).extension().string();
    for (char& c : ending) c = static_cast<char>(std::tolower(static_cast<unsigned char>(c)));
    return ending;
}

/// Throws Error that names the numbers there are.
std::vector<AccessPointId> chosen_access_points(const Project& project, const std::vector<int>& numbers) {
    std::vector<AccessPointId> ids;
    const auto placed = placed_access_points(project);
    for (int number : numbers) {
        const auto found = std::find_if(placed.begin(), placed.end(), [&](const PlacedAccessPoint& p) {
            return p.access_point->number == number;
        });
        if (found == placed.end()) {
            std::string known;
            for (const PlacedAccessPoint& p : placed) {
                known += ' ';
                known += std::to_string(p.access_point->number);
            }
            const std::string remedy = known.empty() ? "The project has none" : "Its access points are";
            throw Error(say("there is no access point %1", number), std::string("--access-point"),
                        remedy + known);
        }
        ids.push_back(found->access_point->id);
    }
    return ids;
}

int predict(Context& context, const PredictWish& wish) {
    const Project project = load(context, wish.file);
    const Floor& floor = named_floor(project, wish.floor);
    BandSet wanted;
    for (const std::string& name : wish.bands) wanted = wanted.with(*find_band(name));
    const LensId lens_id = *find_lens(wish.lens);
    if (wanted.empty() && lens(lens_id).of_radios())
        throw Error(say("is needed for the lens %1", wish.lens), std::string("--band"),
                    say("Name one of 2.4, 5 and 6, or several with commas"));
    if (wanted.empty()) wanted = band_5;
    constexpr double beyond_m = 25;
    Predictor predictor;
    const LensNeeds& needs = lens(lens_id).needs;
    PredictionWish asked = wish_to_show(lens_id);
    asked.cell_m = wish.cell_m;
    if (needs.surroundings) asked.beyond_m = beyond_m;
    SitePrediction site = predictor.predict(project, {floor.id}, asked);
    if (needs.capacity) {
        if (!has_demand(project))
            throw Error(say("no zone says who is there, so nothing is known of the air"), wish.file,
                        say("Give zones people, or choose another lens"));
        Predictor others;  // on the project's own grid
        site.floors.front().air = air_figures(*capacity_by_floors(project, others), project.demand.hour);
    }
    render::MapChoice choice{lens_id, wanted, lens(lens_id).limit};
    choice = render::coloured(choice, project);
    choice.only = chosen_access_points(project, wish.access_points);
    const FloorPrediction& p = *site.find(floor.id);
    const auto values = lens_values(p, render::look_of(project, choice));
    std::size_t cells = 0;
    for (std::size_t i = 0; i < values.size(); ++i) cells += p.mask->inside[i] && !std::isnan(values[i]);
    if (std::filesystem::is_directory(wish.out))
        throw Error(say("is a folder"), wish.out, say("Name a file in it"));
    if (ending_of(wish.out) == ".csv")
        write_csv(wish.out, p, values);
    else if (ending_of(wish.out) == ".png")
        render::save_plan_picture(project, floor, p, choice, wish.out);
    else
        throw Error(say("is neither .png nor .csv"), wish.out, say("End the name of --out in one of them"));
    const Json json{{"file", wish.out},
                    {"floor", floor.name},
                    {"lens", wish.lens},
                    {"bands_ghz", bands_ghz(lens(lens_id).of_radios() ? wanted : BandSet())},
                    {"grid_m", wish.cell_m.value_or(project.settings.grid_m)},
                    {"cell_m", p.surface.cell_m},
                    {"cells", cells}};
    if (context.json)
        print(context, json);
    else
        context.out << "Wrote " << wish.out << ", " << cells << " cells of " << p.surface.cell_m << " m\n";
    if (p.surface.cell_m > wish.cell_m.value_or(project.settings.grid_m) * 1.001)
        context.err << "yemvo-cli: " << floor.name << " is too large for a grid of "
                    << wish.cell_m.value_or(project.settings.grid_m) << " m: it is predicted every "
                    << p.surface.cell_m << " m\n";
    return done;
}

int verdict(Context& context, const std::string& file) {
    const Project project = load(context, file);
    Predictor predictor;
    Verdict v = judge_by_floors(project, predictor);
    judge_uplink(v, project);
    if (asks_about_capacity(v) && has_demand(project))
        add_capacity(v, project, *capacity_by_floors(project, predictor));
    const Json json = to_json(project, v);
    for (const CoarseFloor& c : v.coarse)
        context.err << "yemvo-cli: " << find_floor(project, c.floor)->name << " is too large for a grid of "
                    << v.grid_m << " m: it is judged every " << c.cell_m << " m\n";
    if (const Said lacks = lacks_to_judge(project, v); !lacks.empty())
        context.err << "yemvo-cli: there is no verdict: " << lacks << "\n";
    if (const BandSet left = bands_not_judged(project); !left.empty() && !v.requirements.empty())
        context.err << "yemvo-cli: " << bands_text(left) << " is in use, but nothing is required there\n";
    if (context.json) {
        print(context, json);
        return v.met() ? done : not_met;
    }
    for (const RequirementResult& r : v.requirements) {
        char line[300];
        std::snprintf(line, sizeof line, "%-8s %-38s %8s of %8s required\n", r.met() ? "met" : "NOT MET",
                      requirement_name(r.requirement).english().c_str(),
                      format_percent(r.share_met(), 1).c_str(),
                      format_percent(r.requirement.share_required, 1).c_str());
        context.out << line;
    }
    if (v.uplink)
        context.out << (v.uplink->met() ? "met      " : "NOT MET  ") << "Uplink in use "
                    << format_percent(v.uplink->share(), 1) << " of at most "
                    << format_percent(v.uplink->allowed, 1) << "\n";
    context.out << (v.met() ? "All requirements are met.\n" : "Not every requirement is met.\n");
    return v.met() ? done : not_met;
}

std::vector<std::string> lens_keys() {
    std::vector<std::string> keys;
    for (const LensInfo& info : lenses()) keys.push_back(info.key);
    return keys;
}

}  // namespace

void add_project_commands(CLI::App& root, Context& context) {
    const auto file = std::make_shared<std::string>();
    CLI::App* command =
        add_command(root, context, "demo", "Writes the demo project", "demo --out library.yemvo",
                    [&context, file] { return write_demo(context, *file); });
    command->add_option("--out", *file, "The file to write")->required();

    command = add_command(root, context, "info", "What a project holds", "info library.yemvo --json",
                          [&context, file] { return info(context, *file); });
    command->add_option("FILE", *file, "A project (.yemvo)")->required();

    const auto wish = std::make_shared<PredictWish>();
    command =
        add_command(root, context, "predict", "Writes a map of one floor as a picture or a table",
                    "predict library.yemvo --floor \"First floor\" --band 5 --lens signal --out map.png",
                    [&context, wish] { return predict(context, *wish); });
    command->add_option("FILE", wish->file, "A project (.yemvo)")->required();
    command->add_option("--floor", wish->floor, "Name of the floor")->required();
    command
        ->add_option("--band", wish->bands,
                     "2.4, 5 or 6 (GHz); several with commas: the best of them; not for cables")
        ->delimiter(',')
        ->check(CLI::IsMember(band_names()));
    command
        ->add_option("--access-point", wish->access_points,
                     "Only these access points, by number; several with commas")
        ->delimiter(',');
    command->add_option("--lens", wish->lens, "What to show")->required()->check(CLI::IsMember(lens_keys()));
    command->add_option("--out", wish->out, "MAP.png or MAP.csv (columns x_m,y_m,value)")->required();
    command->add_option("--cell", wish->cell_m, "Grid in metres instead of the project's own")
        ->check([](const std::string& text) {
            double grid_m = 0;
            const auto [end, fault] = std::from_chars(text.data(), text.data() + text.size(), grid_m);
            const bool is_number = fault == std::errc() && end == text.data() + text.size();
            // a range would let NaN through
            return is_number && grid_m >= 0.05 && grid_m <= 10 ? std::string()
                                                               : "a grid is 0.05 to 10 m, not " + text;
        })
        ->capture_default_str();

    command =
        add_command(root, context, "verdict", "Whether every requirement is met; exit code 1 when not",
                    "verdict library.yemvo --json", [&context, file] { return verdict(context, *file); });
    command->add_option("FILE", *file, "A project (.yemvo)")->required();
}

}  // namespace yemvo::cli
