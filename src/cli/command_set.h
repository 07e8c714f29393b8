// SPDX-License-Identifier: GPL-3.0-or-later
// How commands are told to the argument reader.
#pragma once
#include <CLI/CLI.hpp>
#include <functional>
#include <iosfwd>
#include <nlohmann/json.hpp>
#include <string>
#include <vector>

#include "cli/commands.h"
#include "project/project.h"

namespace yemvo::cli {

using Json = nlohmann::ordered_json;

struct Context {
    std::ostream& out;
    std::ostream& err;
    bool json = false;
    std::function<int()> chosen;  ///< set by the parsed command, run afterwards
};

/// A command with its help; `run` is called once the arguments are read.
CLI::App* add_command(CLI::App& root, Context&, const char* name, const char* what, const char* example,
                      std::function<int()> run);

/// "2.4", "5", "6", as --band takes them.
std::vector<std::string> band_names();

/// Reads a project; what it warns of goes to the error stream. Throws Error.
Project load(Context&, const std::string& file);
/// By name or title. Throws Error naming the floors there are.
const Floor& named_floor(const Project&, const std::string& name);

/// Prints one JSON value.
void print(Context&, const Json&);

void add_project_commands(CLI::App& root, Context&);    ///< demo, info, predict, verdict
void add_link_commands(CLI::App& root, Context&);       ///< probe, costs
void add_radio_commands(CLI::App& root, Context&);      ///< rates, channels
void add_airtime_commands(CLI::App& root, Context&);    ///< airtime
void add_capacity_commands(CLI::App& root, Context&);   ///< capacity
void add_regulation_command(CLI::App& root, Context&);  ///< regulation
void add_tuning_commands(CLI::App& root, Context&);     ///< hearing, retune
void add_proposal_command(CLI::App& root, Context&);    ///< propose
void add_cables_command(CLI::App& root, Context&);      ///< cables
void add_handover_commands(CLI::App& root, Context&);   ///< report, export, import
void add_checks_commands(CLI::App& root, Context&);     ///< findings, widths
void add_capture_command(CLI::App& root, Context&);     ///< capture
void add_drawing_commands(CLI::App& root, Context&);    ///< drawing
void add_pattern_commands(CLI::App& root, Context&);    ///< pattern
void add_chart_command(CLI::App& pattern, Context&);    ///< pattern trace

}  // namespace yemvo::cli
