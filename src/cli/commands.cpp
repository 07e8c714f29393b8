// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/commands.h"

#include <ostream>

#include "base/error.h"
#include "base/utf8.h"
#include "cli/command_set.h"
#include "project/storage.h"
#include "wireless/band.h"

namespace yemvo::cli {

CLI::App* add_command(CLI::App& root, Context& context, const char* name, const char* what,
                      const char* example, std::function<int()> run) {
    CLI::App* command = root.add_subcommand(name, what);
    command->footer(std::string("Example:\n  yemvo-cli ") + example +
                    "\n\nExit codes: 0 done, 1 a check not met, 2 wrong use or unreadable input.");
    command->add_flag("--json", context.json, "One JSON value on standard output");
    command->callback([&context, run = std::move(run)] { context.chosen = run; });
    return command;
}

std::vector<std::string> band_names() {
    std::vector<std::string> names;
    for (const Band& b : bands()) names.push_back(b.name);
    return names;
}

Project load(Context& context, const std::string& file) {
    Loaded loaded = load_project(file);
    for (const Said& warning : loaded.warnings) context.err << "yemvo-cli: " << warning << "\n";
    return std::move(loaded.project);
}

const Floor& named_floor(const Project& project, const std::string& name) {
    if (const Floor* floor = find_floor(project, std::string_view(name))) return *floor;
    std::string known;
    for (const Floor* f : all_floors(project))
        known += (known.empty() ? "" : "; ") + floor_title(project, *f);
    throw Error(say("there is no floor '%1'", name), project.name, say("Its floors are: %1", known));
}

void print(Context& context, const Json& json) { context.out << json.dump(1) << "\n"; }

/// Throws Error that names the commands there are.
static void check_command(const CLI::App& root, const std::string& name) {
    std::string known;
    for (const CLI::App* command : root.get_subcommands([](const CLI::App*) { return true; })) {
        if (command->get_name() == name) return;
        known += ' ';
        known += command->get_name();
    }
    throw Error(say("there is no command '%1'", shortened(name, 60)), std::string("yemvo-cli"),
                say("The commands are%1", known));
}

int run(int argc, const char* const* argv, std::ostream& out, std::ostream& err) {
    Context context{out, err, false, {}};
    CLI::App root{"Yemvo without a window: predicts, explains and proves wireless plans.", "yemvo-cli"};
    root.require_subcommand(1);
    root.set_version_flag("--version", "yemvo-cli 0.1.0");
    root.footer("Every command has --help with an example.");
    add_project_commands(root, context);
    add_link_commands(root, context);
    add_radio_commands(root, context);
    add_drawing_commands(root, context);
    add_airtime_commands(root, context);
    add_capacity_commands(root, context);
    add_regulation_command(root, context);
    add_tuning_commands(root, context);
    add_proposal_command(root, context);
    add_cables_command(root, context);
    add_handover_commands(root, context);
    add_capture_command(root, context);
    add_checks_commands(root, context);
    add_pattern_commands(root, context);
    try {
        if (argc > 1 && argv[1][0] != '-') check_command(root, argv[1]);
        root.parse(argc, argv);
        const int code = context.chosen ? context.chosen() : wrong_use;
        if (!out.flush())
            throw Error(say("the result could not be written"), say("standard output"),
                        say("Free some space"));
        return code;
    } catch (const CLI::Success& asked) {  // --help, --version
        root.exit(asked, out, err);
        return done;
    } catch (const CLI::ParseError& fault) {
        root.exit(fault, err, err);
        return wrong_use;
    } catch (const std::exception& fault) {
        err << "yemvo-cli: " << fault.what() << "\n";
        return wrong_use;
    }
}

}  // namespace yemvo::cli
