// SPDX-License-Identifier: GPL-3.0-or-later
// report, export, import: the plan as others take it, and access points as others tell them.
#include <filesystem>
#include <memory>
#include <ostream>

#include "base/error.h"
#include "cli/command_set.h"
#include "cli/read_input.h"
#include "handover/access_point_list.h"
#include "handover/naming.h"
#include "project/limits.h"
#include "project/safe_file.h"
#include "project/storage.h"
#include "render/headless.h"
#include "render/report/plan_pictures.h"
#include "render/report/sections.h"
#include "render/report/written_report.h"

namespace yemvo::cli {
namespace {

namespace report = render::report;
namespace fs = std::filesystem;

std::vector<std::string> section_keys() {
    std::vector<std::string> keys;
    for (const report::SectionInfo& s : report::section_infos()) keys.emplace_back(s.key);
    return keys;
}

std::vector<std::string> kind_keys() {
    std::vector<std::string> keys;
    for (const FileKind& k : report::all_file_kinds()) keys.emplace_back(k.key);
    return keys;
}

struct ReportWish {
    std::string file, out, sheet, paper;
    std::vector<std::string> sections;
    int scale = -1;
};

void apply(ReportChoice& choice, const ReportWish& wish) {
    if (!wish.sections.empty()) {
        choice.sections.clear();
        for (const std::string& key : wish.sections) choice.sections.push_back({key, true});
    }
    if (!wish.paper.empty()) choice.paper = wish.paper;
    if (!wish.sheet.empty()) choice.sheet = wish.sheet;
    if (wish.scale >= 0) choice.scale = wish.scale;
}

int write_report(Context& context, const ReportWish& wish) {
    const auto format = report::report_format(wish.out);
    if (!format)
        throw Error(say("has no ending that is known"), wish.out, say("End it with .pdf, .html or .odt"));
    Project project = load(context, wish.file);
    apply(project.handover.report, wish);
    const render::Headless headless;
    for (const report::ReportFault& fault : report::report_faults(project)) {
        if (fault.stops) throw Error(fault.what, wish.file);
        context.err << "yemvo-cli: " << fault.what << "\n";
    }
    look_at_target(wish.out);
    Predictor predictor;
    const report::ReportFacts facts = report::gather_report(project, predictor);
    const QByteArray bytes = report::written_report(report::make_report(facts), *format);
    replace_file(wish.out, bytes.constData(), static_cast<std::size_t>(bytes.size()));
    context.out << "Wrote " << wish.out << "\n";
    return done;
}

struct ExportWish {
    std::string file, out;
    std::vector<std::string> kinds;
    double dots_per_m = 40;
};

int write_export(Context& context, const ExportWish& wish) {
    const Project project = load(context, wish.file);
    const render::Headless headless;
    const auto kinds = wish.kinds.empty() ? kind_keys() : wish.kinds;
    const bool one_file =
        kinds.size() == 1 && !fs::path(wish.out).extension().empty() && !fs::is_directory(wish.out);
    one_file ? look_at_target(wish.out) : look_at_folder(wish.out);
    Predictor predictor;
    const report::ReportFacts facts =
        report::gather_report(project, predictor, {}, {}, report::maps_for(kinds));
    std::vector<HandoverFile> files;
    for (const std::string& kind : kinds)
        for (HandoverFile& f : report::all_files(facts, kind, {wish.dots_per_m}))
            files.push_back(std::move(f));
    // a single file may be told by its own name
    if (one_file && files.size() == 1) {
        const std::string bytes = files.front().bytes();
        replace_file(wish.out, bytes.data(), bytes.size());
        context.out << wish.out << "\n";
        return done;
    }
    write_files(wish.out, files);
    for (const HandoverFile& f : files) context.out << f.name << "\n";
    return done;
}

Json row_json(const ListedAccessPoint& row) {
    static constexpr const char* words[] = {"new", "changed", "same"};
    Json changes = Json::array();
    for (const Said& s : row.changes) changes.push_back(s.english());
    return {{"name", called(row.access_point)},
            {"what", words[static_cast<int>(row.what)]},
            {"changes", changes}};
}

int import(Context& context, const std::string& file, const std::string& list_file, const std::string& out) {
    Project project = load(context, file);
    const std::string text = read_input(list_file, say("Name a table (.csv)"));
    const ListedAccessPoints list = read_access_points(project, text, list_file);
    Json rows = Json::array();
    for (const ListedAccessPoint& row : list.rows) rows.push_back(row_json(row));
    if (context.json)
        print(context, {{"new", list.added},
                        {"changed", list.changed},
                        {"same", list.same},
                        {"not_listed", list.not_listed},
                        {"access_points", rows}});
    else {
        for (const ListedAccessPoint& row : list.rows) {
            if (row.what == ListedAccessPoint::What::same) continue;
            context.out << called(row.access_point) << ": "
                        << (row.what == ListedAccessPoint::What::added ? Said(std::string("new"))
                                                                       : Said::joined(", ", row.changes))
                        << "\n";
        }
        context.out << list.added << " new, " << list.changed << " changed, " << list.same << " as they are, "
                    << list.not_listed << " not in the list\n";
    }
    if (out.empty()) return done;
    take_access_points(project, list);
    save_project(project, out);
    context.err << "Wrote " << out << "\n";
    return done;
}

void add_report(CLI::App& root, Context& context) {
    const auto wish = std::make_shared<ReportWish>();
    CLI::App* command = add_command(root, context, "report", "Writes the report that is handed over",
                                    "report library.yemvo --out plan.pdf --sections cover,summary,plans",
                                    [&context, wish] { return write_report(context, *wish); });
    command->add_option("FILE", wish->file, "A project (.yemvo)")->required();
    command->add_option("--out", wish->out, "PLAN.pdf, PLAN.html or PLAN.odt")->required();
    command
        ->add_option("--sections", wish->sections,
                     "Which, in order, with commas; else those chosen in the project")
        ->delimiter(',')
        ->check(CLI::IsMember(section_keys()));
    command->add_option("--paper", wish->paper, "Of pages with text")
        ->check(CLI::IsMember(report::text_papers()));
    command->add_option("--sheet", wish->sheet, "Paper of plans")
        ->check(CLI::IsMember(report::sheet_papers()));
    command->add_option("--scale", wish->scale, "Plans are drawn 1 : SCALE; 0: as large as fits")
        ->check(CLI::Range(0, static_cast<int>(limits::print_scale.high)));
}

void add_export(CLI::App& root, Context& context) {
    const auto wish = std::make_shared<ExportWish>();
    CLI::App* command =
        add_command(root, context, "export", "Writes tables, plans and radio settings for other programs",
                    "export library.yemvo --out handover --kind xlsx,dxf",
                    [&context, wish] { return write_export(context, *wish); });
    command->add_option("FILE", wish->file, "A project (.yemvo)")->required();
    command->add_option("--out", wish->out, "A folder; a file where there is only one")->required();
    command->add_option("--kind", wish->kinds, "Which, with commas; else all")
        ->delimiter(',')
        ->check(CLI::IsMember(kind_keys()));
    command->add_option("--dots", wish->dots_per_m, "Dots a metre of pictures")
        ->check(CLI::Range(1.0, 1000.0))
        ->capture_default_str();
}

void add_import(CLI::App& root, Context& context) {
    struct Names {
        std::string file, list, out;
    };
    const auto names = std::make_shared<Names>();
    CLI::App* command =
        add_command(root, context, "import", "What a list of access points would change, or takes it over",
                    "import library.yemvo hung.csv --out library.yemvo",
                    [&context, names] { return import(context, names->file, names->list, names->out); });
    command->add_option("FILE", names->file, "A project (.yemvo)")->required();
    command->add_option("LIST", names->list, "A table (.csv) with a row an access point")->required();
    command->add_option("--out", names->out, "Takes it over and writes the project there");
}

}  // namespace

void add_handover_commands(CLI::App& root, Context& context) {
    add_report(root, context);
    add_export(root, context);
    add_import(root, context);
}

}  // namespace yemvo::cli
