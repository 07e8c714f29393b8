// SPDX-License-Identifier: GPL-3.0-or-later
#include <cstdio>
#include <memory>
#include <ostream>

#include "checks/findings.h"
#include "cli/command_set.h"
#include "cli/json_out.h"
#include "tuning/known_site.h"
#include "tuning/widths.h"

namespace yemvo::cli {
namespace {

Json finding_json(const Project& project, const Finding& f) {
    const Floor* floor = find_floor(project, f.floor);
    Json mends = Json::array();
    for (const Mend& m : f.mends) mends.push_back(m.label.english());
    return {{"rule", std::string(rule_info(f.rule).key)},
            {"floor", floor ? Json(floor_title(project, *floor)) : Json(nullptr)},
            {"place_m", f.has_place ? Json{rounded(f.place.x, 2), rounded(f.place.y, 2)} : Json(nullptr)},
            {"what", f.what.english()},
            {"mends", mends},
            {"waived", f.waived ? Json(*f.waived) : Json(nullptr)}};
}

int list_findings(Context& context, const std::string& file) {
    const Project project = load(context, file);
    Predictor predictor;
    const KnownSite site = know_site(project, predictor);
    const KnownAir air = known_air(project, site.hearing, site.capacity.get());
    const std::vector<Finding> all = findings(project, site.scene, {}, &air);
    Json list = Json::array();
    int open = 0;
    for (const Finding& f : all) {
        list.push_back(finding_json(project, f));
        open += !f.waived;
    }
    if (context.json)
        print(context, {{"open", open}, {"findings", list}});
    else
        for (const Finding& f : all) {
            const Floor* floor = find_floor(project, f.floor);
            context.out << rule_info(f.rule).name << (floor ? ", " + floor_title(project, *floor) : "")
                        << ": " << f.what.english() << (f.waived ? " (accepted)" : "") << "\n";
        }
    return done;
}

Json or_null(const std::optional<double>& v, int decimals) {
    return v ? Json(rounded(*v, decimals)) : Json(nullptr);
}

Json width_json(const WidthFigures& f) {
    return {{"band_ghz", band_ghz(f.band)},
            {"width_mhz", f.width_mhz},
            {"clear_channels", f.clear},
            {"dfs", f.clear_dfs},
            {"rate_gain", or_null(f.gain, 3)},
            {"most_gain", rounded(f.most_gain, 3)},
            {"noise_db", rounded(f.noise_db, 2)},
            {"heard", rounded(f.heard, 2)},
            {"air_lost", rounded(f.lost, 4)},
            {"can_use", or_null(f.can_use, 3)},
            {"carried_mbps", or_null(f.carried_mbps, 1)},
            {"could_carry_mbps", or_null(f.could_get_mbps, 1)},
            {"satisfied", or_null(f.satisfied, 4)},
            {"narrower", f.narrower},
            {"now", f.now},
            {"best", f.best}};
}

int widths(Context& context, const std::string& file) {
    const Project project = load(context, file);
    Predictor predictor;
    const KnownSite site = know_site(project, predictor);
    const WidthStudy study = study_widths(project, site.scene, site.hearing, site.capacity.get());
    Json list = Json::array();
    for (const WidthFigures& f : study.rows) list.push_back(width_json(f));
    if (context.json) return print(context, list), done;
    for (const WidthFigures& f : study.rows) {
        char line[200];
        std::snprintf(line, sizeof line, "%3s GHz %3d MHz: %2d clear, rate x %.2f, hears %.1f, loses %.1f %%",
                      band(f.band).name.c_str(), f.width_mhz, f.clear, f.gain.value_or(f.most_gain), f.heard,
                      100 * f.lost);
        context.out << line;
        if (f.satisfied) {
            std::snprintf(line, sizeof line, ", satisfied %.1f %%, carried %.0f Mbit/s", 100 * *f.satisfied,
                          *f.carried_mbps);
            context.out << line;
        }
        context.out << (f.now ? ", now" : "") << (f.best ? ", best" : "") << "\n";
    }
    return done;
}

}  // namespace

void add_checks_commands(CLI::App& root, Context& context) {
    const auto checked = std::make_shared<std::string>(), tried = std::make_shared<std::string>();
    CLI::App* command = add_command(
        root, context, "findings", "What breaks a rule or cannot be meant, and its mends",
        "findings library.yemvo --json", [&context, checked] { return list_findings(context, *checked); });
    command->add_option("FILE", *checked, "A project")->required();
    command =
        add_command(root, context, "widths", "What each width of each band would do",
                    "widths library.yemvo --json", [&context, tried] { return widths(context, *tried); });
    command->add_option("FILE", *tried, "A project")->required();
}

}  // namespace yemvo::cli
