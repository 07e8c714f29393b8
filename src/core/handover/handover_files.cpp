// SPDX-License-Identifier: GPL-3.0-or-later
#include "handover/handover_files.h"

#include <unistd.h>

#include <algorithm>

#include "base/error.h"
#include "handover/plan_files.h"
#include "handover/tables.h"
#include "handover/workbook.h"
#include "project/safe_file.h"

namespace yemvo {
namespace {

namespace fs = std::filesystem;

using Maker = std::vector<HandoverFile> (*)(const HandoverFacts&);

std::vector<HandoverFile> tables(const HandoverFacts& facts) {
    std::vector<HandoverFile> files;
    for (const TableKind& kind : table_kinds())
        files.push_back(
            {std::string(kind.key) + ".csv", [&facts, make = kind.make] { return to_csv(make(facts)); }});
    return files;
}

std::vector<HandoverFile> workbook(const HandoverFacts& facts) {
    return {{"tables.xlsx", [&facts] {
                 std::vector<HandoverTable> all;
                 for (const TableKind& kind : table_kinds()) all.push_back(kind.make(facts));
                 return workbook_bytes(all, facts.project.name);
             }}};
}

std::vector<HandoverFile> dxf(const HandoverFacts& facts) {
    std::vector<HandoverFile> files;
    std::vector<std::string> taken;
    for (const Floor* f : all_floors(facts.project))
        files.push_back({file_stem(floor_title(facts.project, *f), taken) + ".dxf",
                         [&facts, f] { return plan_dxf(facts.project, *f); }});
    return files;
}

std::vector<HandoverFile> geojson(const HandoverFacts& facts) {
    return {{"site.geojson", [&facts] { return plan_geojson(facts.project); }}};
}

std::vector<HandoverFile> openconfig(const HandoverFacts& facts) {
    return {{"radios-openconfig.json", [&facts] { return radios_openconfig(facts.project); }}};
}

struct Kind {
    FileKind kind;
    Maker make;
};
constexpr Kind kinds[] = {
    {{"csv", ".csv", mark("tables as CSV: access points, radios, cables, switches, demand, findings, bill")},
     tables},
    {{"xlsx", ".xlsx", mark("the same tables as one spreadsheet with its sums")}, workbook},
    {{"dxf", ".dxf", mark("every floor as a CAD drawing")}, dxf},
    {{"geojson", ".geojson", mark("the site as GeoJSON")}, geojson},
    {{"openconfig", ".json", mark("radios and networks as OpenConfig JSON")}, openconfig}};

}  // namespace

std::span<const FileKind> file_kinds() {
    static const std::vector<FileKind> all = [] {
        std::vector<FileKind> list;
        for (const Kind& k : kinds) list.push_back(k.kind);
        return list;
    }();
    return all;
}

std::vector<HandoverFile> handover_files(const HandoverFacts& facts, std::string_view key) {
    for (const Kind& k : kinds)
        if (key == k.kind.key) return k.make(facts);
    return {};
}

std::string file_stem(const std::string& title, std::vector<std::string>& taken) {
    std::string stem;
    for (char c : title) {
        const auto byte = static_cast<unsigned char>(c);
        const bool kept = byte >= 0x80 || (c >= '0' && c <= '9') || (c >= 'a' && c <= 'z');
        if (c >= 'A' && c <= 'Z')
            stem += static_cast<char>(c - 'A' + 'a');
        else if (kept)
            stem += c;
        else if (!stem.empty() && stem.back() != '-')
            stem += '-';
        if (stem.size() >= 100) break;
    }
    // not within a letter of several bytes
    while (stem.size() >= 100 && (static_cast<unsigned char>(stem.back()) & 0xC0) == 0x80) stem.pop_back();
    while (!stem.empty() && stem.back() == '-') stem.pop_back();
    if (stem.empty()) stem = "floor";
    std::string name = stem;
    for (int n = 2; std::ranges::find(taken, name) != taken.end(); ++n) name = stem + "-" + std::to_string(n);
    taken.push_back(name);
    return name;
}

void look_at_folder(const fs::path& folder) {
    std::error_code fault;
    fs::create_directories(folder, fault);
    if (fault || !fs::is_directory(folder))
        throw Error(say("could not be made: %1", fault ? fault.message() : std::string("it is no folder")),
                    folder.string(), say("Choose another folder"));
    if (::access(folder.c_str(), W_OK | X_OK) != 0)
        throw Error(say("may not be written into"), folder.string(), say("Choose another folder"));
}

std::size_t write_files(const fs::path& folder, const std::vector<HandoverFile>& files,
                        const CancelToken& cancel, const std::function<void(double)>& progress) {
    look_at_folder(folder);
    std::size_t written = 0;
    for (const HandoverFile& f : files) {
        cancel.check();
        const std::string bytes = f.bytes();
        replace_file(folder / f.name, bytes.data(), bytes.size());
        if (progress) progress(static_cast<double>(++written) / static_cast<double>(files.size()));
    }
    return files.size();
}

}  // namespace yemvo
