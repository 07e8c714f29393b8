// SPDX-License-Identifier: GPL-3.0-or-later
#include <cstdio>
#include <memory>
#include <ostream>

#include "capacity/heard_by_floors.h"
#include "cli/command_set.h"
#include "cli/json_out.h"
#include "cli/read_input.h"
#include "project/storage.h"
#include "tuning/known_site.h"
#include "tuning/retune.h"
#include "wireless/spectrum.h"

namespace yemvo::cli {
namespace {

int hearing(Context& context, const std::string& file, const std::string& band_name, double least_dbm) {
    const Project project = load(context, file);
    const BandId id = *find_band(band_name);
    Predictor predictor;
    const SiteAir air = site_air(project, heard_by_floors(project, air_radios(project), predictor), nullptr);
    const double least = least_dbm < 0 ? least_dbm : project.settings.heard_dbm;
    Json list = Json::array();
    for (const HeardRadio& h : air.hearing) {
        const AirRadio& to = air.radios[h.listener];
        const AirRadio& from = air.radios[h.heard];
        if (from.channel.band != id || to.channel.band != id || h.dbm < least) continue;
        Json entry{{"from", from.number},
                   {"to", to.number},
                   {"from_radio", from.radio + 1},
                   {"to_radio", to.radio + 1},
                   {"dbm", rounded(h.dbm, 2)},
                   {"overlap", rounded(overlap(from.channel, to.channel), 4)},
                   {"air_share", rounded(air_share(to.channel, to.primary, from.channel, from.primary), 4)}};
        if (const NeighbourRadio* other = air.neighbour(h.heard)) {
            entry["from"] = nullptr;
            entry["from_radio"] = nullptr;
            entry["neighbour"] = other->name;
            entry["address"] = other->address;
        }
        list.push_back(std::move(entry));
    }
    if (context.json) return print(context, list), done;
    for (const Json& h : list) {
        char line[100];
        std::snprintf(line, sizeof line, " is heard at %3d with %6.1f dBm, overlap %5.1f %%\n",
                      h["to"].get<int>(), h["dbm"].get<double>(), 100 * h["overlap"].get<double>());
        if (h["from"].is_null())
            context.out << "neighbour " << h["neighbour"].get<std::string>() << line;
        else
            context.out << "access point " << h["from"].get<int>() << line;
    }
    return done;
}

struct RetuneWish {
    std::string file, out;
    std::vector<std::string> band_names;
    std::uint64_t seed = 1;
    double seconds = 20, worth = 0.0005;
    std::vector<int> leave_out, leave_out_6;
    bool keep_widths = false, no_dfs = false, powers = false, off = false;
};

Json settings_of_instance(const RetuneInstance& instance, const SearchResult& found) {
    Json list = Json::array();
    for (std::size_t i = 0; i < instance.radios.size(); ++i) {
        const TunedSetting& s = instance.radios[i].allowed[found.chosen[i]];
        list.push_back({{"radio", instance.radios[i].name},
                        {"band_ghz", band_ghz(s.channel.band)},
                        {"channel", s.channel.number},
                        {"primary", s.primary},
                        {"width_mhz", s.channel.width_mhz},
                        {"power_dbm", rounded(s.power_dbm, 2)}});
    }
    return list;
}

int retune_instance(Context& context, const RetuneWish& wish, const std::string& text) {
    RetuneInstance instance;
    try {
        instance = read_instance(text);
    } catch (const Error& e) {
        throw Error(e.summary(), said_joined(": ", wish.file, e.where()), e.remedy());
    }
    SearchWish how;
    how.seed = wish.seed;
    how.seconds = wish.seconds;
    const SearchResult found = search(instance, how);
    const Json json{{"objective", found.objective},     {"lower_bound", found.lower_bound},
                    {"proven", found.proven},           {"seconds", rounded(found.seconds, 3)},
                    {"worst_start", found.worst_start}, {"settings", settings_of_instance(instance, found)}};
    if (context.json) return print(context, json), done;
    context.out << "objective " << found.objective << (found.proven ? ", proven" : ", at least ")
                << (found.proven ? "" : std::to_string(found.lower_bound)) << "\n";
    for (const Json& s : json["settings"])
        context.out << "  " << s["radio"].get<std::string>() << "  " << s["channel"] << " / "
                    << s["width_mhz"] << "\n";
    return done;
}

Json radio_name(const RetuneChange& c) {
    return std::to_string(c.number) + "/" + std::to_string(c.radio + 1);
}

Json project_json(const Project& before, const RetuneResult& r) {
    Project after = before;
    make_changes(after, r.changes);
    Json settings = Json::array(), changes = Json::array(), cannot = Json::array();
    for (const AirRadio& radio : air_radios(after))
        settings.push_back({{"radio", std::to_string(radio.number) + "/" + std::to_string(radio.radio + 1)},
                            {"band_ghz", band_ghz(radio.channel.band)},
                            {"channel", radio.channel.number},
                            {"primary", radio.primary},
                            {"width_mhz", radio.channel.width_mhz},
                            {"power_dbm", rounded(radio.power_dbm, 2)}});
    for (const RetuneChange& c : r.changes)
        changes.push_back({{"radio", radio_name(c)},
                           {"band_ghz", band_ghz(c.after.channel.band)},
                           {"from", channel_text(c.before)},
                           {"to", c.after.on ? channel_text(c.after) : std::string("off")},
                           {"power_dbm", rounded(c.after.power_dbm, 2)},
                           {"gain", rounded(c.gain, 6)}});
    for (const Said& s : r.cannot) cannot.push_back(s.english());
    Json hours = Json::array();
    for (const RetunedHour& h : r.hours)
        hours.push_back({{"hour", h.hour},
                         {"satisfied_before", rounded(h.satisfied_before, 4)},
                         {"satisfied_after", rounded(h.satisfied_after, 4)},
                         {"carried_before_mbps", rounded(h.carried_before_mbps, 2)},
                         {"carried_after_mbps", rounded(h.carried_after_mbps, 2)}});
    return {{"objective", rounded(r.after, 6)},
            {"before", rounded(r.before, 6)},
            {"lower_bound", rounded(r.lower_bound, 6)},
            {"proven", r.proven},
            {"seconds", rounded(r.seconds, 3)},
            {"worst_start", rounded(r.worst_start, 6)},
            {"changes", changes},
            {"cannot", cannot},
            {"hours", hours},
            {"settings", settings}};
}

int retune_project(Context& context, const RetuneWish& wish) {
    const Project project = load(context, wish.file);
    Predictor predictor;
    const KnownSite site = know_site(project, predictor);
    RetuneAsk ask;
    ask.left_out[band_5] = wish.leave_out;
    ask.left_out[band_6] = wish.leave_out_6;
    ask.powers = wish.powers;
    ask.off = wish.off;
    ask.seed = wish.seed;
    ask.seconds = wish.seconds;
    ask.change_worth = wish.worth;
    ask.widths = !wish.keep_widths;
    if (wish.no_dfs) ask.dfs = DfsUse::never;
    if (!wish.band_names.empty()) {
        ask.bands = {};
        for (const std::string& name : wish.band_names) ask.bands = ask.bands.with(*find_band(name));
    }
    const RetuneResult found =
        Retuning(project, site.scene, site.hearing, site.capacity.get(), ask, {}, &site.room).run();
    for (const Said& s : found.cannot) context.err << "yemvo-cli: " << s << "\n";
    if (!wish.out.empty()) {
        Project after = project;
        make_changes(after, found.changes);
        save_project(after, wish.out);
    }
    const Json json = project_json(project, found);
    if (context.json) return print(context, json), done;
    char line[160];
    std::snprintf(line, sizeof line,
                  "air in use, in the mean over demand: %.2f %% before, %.2f %% after, %zu changes\n",
                  100 * found.before, 100 * found.after, found.changes.size());
    context.out << line;
    for (const Json& c : json["changes"]) {
        std::snprintf(line, sizeof line, "  %-8s %s GHz  %10s to %-10s  %.3f %%\n",
                      c["radio"].get<std::string>().c_str(), c["band_ghz"].dump().c_str(),
                      c["from"].get<std::string>().c_str(), c["to"].get<std::string>().c_str(),
                      100 * c["gain"].get<double>());
        context.out << line;
    }
    return done;
}

int retune(Context& context, const RetuneWish& wish) {
    const std::string text = read_input(wish.file, say("Name a project or an instance"));
    const std::size_t first = text.find_first_not_of(" \t\r\n");
    // a project is an archive, or JSON that says so
    const bool bare = first != std::string::npos && text[first] == '{' &&
                      text.find("\"radios\"") != std::string::npos &&
                      text.find("\"buildings\"") == std::string::npos;
    return bare ? retune_instance(context, wish, text) : retune_project(context, wish);
}

}  // namespace

void add_tuning_commands(CLI::App& root, Context& context) {
    const auto file = std::make_shared<std::string>(), band_name = std::make_shared<std::string>("5");
    const auto least = std::make_shared<double>(0);
    CLI::App* command = add_command(
        root, context, "hearing", "Which access points hear which, and how much of their spectrum they share",
        "hearing library.yemvo --band 5 --json",
        [&context, file, band_name, least] { return hearing(context, *file, *band_name, *least); });
    command->add_option("FILE", *file, "A project (.yemvo)")->required();
    command->add_option("--band", *band_name, "2.4, 5 or 6")->check(CLI::IsMember(band_names()));
    command->add_option("--least", *least,
                        "Weaker ones are left out [dBm]; the project's own level without it");

    const auto wish = std::make_shared<RetuneWish>();
    command = add_command(root, context, "retune", "Channels and widths with which least air is lost",
                          "retune library.yemvo --seed 1 --out retuned.yemvo --json",
                          [&context, wish] { return retune(context, *wish); });
    command
        ->add_option("FILE", wish->file,
                     "A project (.yemvo), or an instance (docs/format/retune-instance.md)")
        ->required();
    command->add_option("--band", wish->band_names, "Radios of these bands; all without it")
        ->check(CLI::IsMember(band_names()));
    command->add_option("--seed", wish->seed, "Same seed, same plan");
    command->add_option("--seconds", wish->seconds, "At most")->check(CLI::Range(0.1, 3600.0));
    command->add_option("--worth", wish->worth, "What a change has to gain of the air, 0 to 1")
        ->check(CLI::Range(0.0, 1.0));
    command->add_flag("--keep-widths", wish->keep_widths, "Other channels only");
    command->add_option("--leave-out", wish->leave_out, "20 MHz channels at 5 GHz that stay free")
        ->delimiter(',');
    command->add_option("--leave-out-6", wish->leave_out_6, "20 MHz channels at 6 GHz that stay free")
        ->delimiter(',');
    command->add_flag("--powers", wish->powers, "Powers too, as far as all that holds still holds");
    command->add_flag("--off", wish->off, "2.4 GHz radios off that nobody needs");
    command->add_flag("--no-dfs", wish->no_dfs, "No channels that have to listen for radar");
    command->add_option("--out", wish->out, "Where the retuned project is written");
}

}  // namespace yemvo::cli
