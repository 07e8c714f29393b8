// SPDX-License-Identifier: GPL-3.0-or-later
#include <cmath>
#include <cstdio>
#include <fstream>
#include <memory>
#include <ostream>

#include "antenna/pattern/pattern_file.h"
#include "cli/command_set.h"
#include "cli/json_out.h"
#include "cli/read_input.h"

namespace yemvo::cli {
namespace {

struct Wish {
    std::string file, out;
    std::optional<double> gain_dbi, frequency_mhz;
    std::optional<bool> attenuation, dbd, left, down;
};

PatternFile read(const Wish& wish) {
    PatternWishes wishes;
    wishes.gain_dbi = wish.gain_dbi;
    wishes.frequency_mhz = wish.frequency_mhz;
    wishes.attenuation = wish.attenuation;
    wishes.gain_in_dbd = wish.dbd;
    wishes.azimuth_runs_left = wish.left;
    wishes.elevation_runs_down = wish.down;
    return read_pattern(read_input(wish.file, say("Name a pattern in it")),
                        wish.file.substr(wish.file.rfind('/') + 1), wishes);
}

Json attenuation_json(const Cut& cut) {
    Json list = Json::array();
    for (int d = 0; d < Cut::degrees; ++d) list.push_back(std::abs(rounded(cut[d], 3)));
    return list;
}

Json to_json(const PatternFile& file) {
    Json patterns = Json::array(), warnings = Json::array();
    for (const PatternCuts& c : file.cuts) {
        const PatternMeasures m = measures(c);
        patterns.push_back({{"frequency_mhz", c.frequency_mhz},
                            {"azimuth_width_deg", rounded(m.azimuth_width_deg, 1)},
                            {"elevation_width_deg", rounded(m.elevation_width_deg, 1)},
                            {"front_to_back_db", rounded(m.front_to_back_db, 2)},
                            {"directivity_dbi", rounded(m.directivity_dbi, 2)},
                            {"azimuth_attenuation_db", attenuation_json(c.azimuth)},
                            {"elevation_attenuation_db", attenuation_json(c.elevation)}});
    }
    for (const Said& w : file.warnings) warnings.push_back(w.english());
    return {{"name", file.name},
            {"gain_dbi", rounded(file.gain_dbi, 2)},
            {"gain_assumed", file.gain_assumed},
            {"patterns", patterns},
            {"warnings", warnings}};
}

int info(Context& context, const Wish& wish) {
    const PatternFile file = read(wish);
    const Json json = to_json(file);
    if (context.json) return print(context, json), done;
    context.out << (file.name.empty() ? wish.file : file.name) << ": " << json["gain_dbi"] << " dBi"
                << (file.gain_assumed ? ", assumed\n" : "\n");
    for (const Json& p : json["patterns"]) {
        char line[200];
        std::snprintf(
            line, sizeof line,
            "  %6.0f MHz  azimuth %.1f°, elevation %.1f°, front to back %.1f dB, directivity %.1f dBi\n",
            p["frequency_mhz"].get<double>(), p["azimuth_width_deg"].get<double>(),
            p["elevation_width_deg"].get<double>(), p["front_to_back_db"].get<double>(),
            p["directivity_dbi"].get<double>());
        context.out << line;
    }
    for (const Said& w : file.warnings) context.out << "  note: " << w << "\n";
    return done;
}

int convert(Context& context, const Wish& wish) {
    const bool csv = wish.out.ends_with(".csv");
    if (!csv && !wish.out.ends_with(".ant"))
        throw Error(say("is neither .ant nor .csv"), wish.out, say("End the name of --out in one of them"));
    const PatternFile file = read(wish);
    for (const Said& w : file.warnings) context.err << "yemvo-cli: " << w << "\n";
    std::ofstream out(wish.out, std::ios::binary);
    out << (csv ? write_csv_pattern(file) : write_standard_pattern(file));
    if (!out.flush()) throw Error(say("could not be written"), wish.out, say("Choose another place"));
    return done;
}

/// What a person may know better than the program.
void add_wishes(CLI::App* command, const std::shared_ptr<Wish>& wish) {
    command->add_option("file", wish->file, "The pattern")->required();
    command->add_option("--gain", wish->gain_dbi, "Gain at the peak in dBi, instead of the file's");
    command->add_option("--frequency", wish->frequency_mhz, "In MHz, where the file tells none");
    command->add_option("--attenuation", wish->attenuation,
                        "Whether values are losses (true) or gains (false)");
    command->add_option("--dbd", wish->dbd, "Whether the file's gain is in dBd");
    command->add_option("--azimuth-left", wish->left, "Whether azimuths run counter-clockwise from above");
    command->add_option("--elevation-down", wish->down, "Whether positive elevations look down");
}

}  // namespace

void add_pattern_commands(CLI::App& root, Context& context) {
    CLI::App* pattern =
        root.add_subcommand("pattern", "Antenna patterns: the standard format, CSV, other tables");
    pattern->require_subcommand(1);
    const auto wish = std::make_shared<Wish>();
    add_wishes(
        add_command(*pattern, context, "info", "Gain, beam widths and both cuts",
                    "pattern info panel.ant --json", [&context, wish] { return info(context, *wish); }),
        wish);
    CLI::App* write = add_command(*pattern, context, "convert", "Writes it in the standard format or as CSV",
                                  "pattern convert panel.txt --out panel.ant",
                                  [&context, wish] { return convert(context, *wish); });
    add_wishes(write, wish);
    add_chart_command(*pattern, context);
    write->add_option("--out", wish->out, "The file to write: .ant (standard format) or .csv")->required();
}

}  // namespace yemvo::cli
