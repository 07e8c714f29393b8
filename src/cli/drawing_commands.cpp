// SPDX-License-Identifier: GPL-3.0-or-later
#include <cstdio>
#include <memory>
#include <ostream>

#include "cli/command_set.h"
#include "cli/json_out.h"
#include "cli/read_input.h"
#include "exchange/cad_drawing.h"
#include "render/drawings/sheet.h"
#include "render/headless.h"

namespace yemvo::cli {
namespace {

struct Wish {
    std::string file, unit;
    int page = 1;
};

std::shared_ptr<const Bytes> read_all(const std::string& file) {
    const std::string all = read_input(file, say("Name a drawing in it"));
    const auto* begin = reinterpret_cast<const std::byte*>(all.data());
    return std::make_shared<const Bytes>(begin, begin + all.size());
}

Json box_json(const Box& box, double unit_m) {
    return {{"low", {rounded(box.low.x * unit_m, 6), rounded(box.low.y * unit_m, 6)}},
            {"high", {rounded(box.high.x * unit_m, 6), rounded(box.high.y * unit_m, 6)}}};
}

Json cad_json(const CadDrawing& cad, const std::string& wanted) {
    double unit_m = 1;
    std::string unit;
    const bool guessed = wanted.empty() && !cad.unit_m;
    if (!wanted.empty() || guessed) {
        const CadUnit u = guessed ? likely_unit(cad) : *find_cad_unit(wanted);
        unit_m = metres(u);
        unit = cad_unit_name(u);
    } else {
        unit_m = *cad.unit_m;
        for (const CadUnit u :
             {CadUnit::millimetre, CadUnit::centimetre, CadUnit::metre, CadUnit::inch, CadUnit::foot})
            if (std::abs(metres(u) - unit_m) < 1e-12) unit = cad_unit_name(u);
    }
    Json layers = Json::array(), skipped = Json::array();
    for (const CadLayer& l : cad.layers) {
        if (l.segments + l.arcs == 0) continue;
        layers.push_back({{"name", l.name},
                          {"visible", l.visible},
                          {"segments", l.segments},
                          {"arcs", l.arcs},
                          {"length_m", rounded(l.length * unit_m, 6)},
                          {"bbox_m", box_json(*l.box, unit_m)}});
    }
    for (const CadSkipped& s : cad.skipped)
        skipped.push_back({{"what", s.what.english()}, {"why", s.why.english()}, {"count", s.count}});
    return {{"kind", "dxf"},     {"unit", unit.empty() ? Json() : Json(unit)},
            {"unit_m", unit_m},  {"unit_guessed", guessed},
            {"layers", layers},  {"texts", cad.texts.size()},
            {"skipped", skipped}};
}

Json sheet_json(const render::Sheet& sheet, DrawingKind kind, int page) {
    const Box box = sheet.box();
    Json json{{"kind", drawing_kind_name(kind)}, {"pages", sheet.pages()}, {"page", page}};
    if (kind == DrawingKind::pdf)
        json["size_mm"] = {rounded(box.width() * 25.4 / 72, 2), rounded(box.height() * 25.4 / 72, 2)};
    else
        json[kind == DrawingKind::picture ? "size_px" : "size_units"] = {box.width(), box.height()};
    json["skipped"] = Json::array();
    for (const Said& left : sheet.left_out()) json["skipped"].push_back(left.english());
    return json;
}

void print_words(Context& context, const Json& json) {
    context.out << json["kind"].get<std::string>() << "\n";
    if (json.contains("layers")) {
        context.out << "  one unit is " << json["unit_m"] << " m"
                    << (json["unit_guessed"].get<bool>() ? ", guessed from the size\n" : "\n");
        char line[300];
        for (const Json& l : json["layers"]) {
            std::snprintf(line, sizeof line, "  %-24s %8zu straight %6zu curved %12.3f m%s\n",
                          l["name"].get<std::string>().substr(0, 60).c_str(),
                          l["segments"].get<std::size_t>(), l["arcs"].get<std::size_t>(),
                          l["length_m"].get<double>(), l["visible"].get<bool>() ? "" : "  hidden");
            context.out << line;
        }
        for (const Json& s : json["skipped"])
            context.out << "  left out: " << s["count"] << " x " << s["what"].get<std::string>() << ", "
                        << s["why"].get<std::string>() << "\n";
        return;
    }
    context.out << "  page " << json["page"] << " of " << json["pages"] << "\n";
    for (const char* key : {"size_mm", "size_px", "size_units"})
        if (json.contains(key))
            context.out << "  " << json[key][0] << " x " << json[key][1] << " " << (key + 5) << "\n";
    for (const Json& s : json["skipped"]) context.out << "  left out: " << s.get<std::string>() << "\n";
}

int drawing(Context& context, const Wish& wish) {
    if (wish.page < 1) throw Error(say("is below 1"), std::string("--page"), say("Pages are counted from 1"));
    const auto bytes = read_all(wish.file);
    const std::string name = wish.file.substr(wish.file.rfind('/') + 1);
    const DrawingKind kind = render::kind_of_file(*bytes, name);
    const render::Headless headless;
    const auto sheet = render::open_sheet(bytes, kind, wish.page - 1, name);
    const Json json = sheet->cad() ? cad_json(*sheet->cad(), wish.unit) : sheet_json(*sheet, kind, wish.page);
    context.json ? print(context, json) : print_words(context, json);
    return done;
}

}  // namespace

void add_drawing_commands(CLI::App& root, Context& context) {
    auto wish = std::make_shared<Wish>();
    CLI::App* command =
        add_command(root, context, "drawing", "Tells what a picture, PDF, SVG or DXF file holds",
                    "drawing plan.dxf --json", [&context, wish] { return drawing(context, *wish); });
    command->add_option("file", wish->file, "The drawing")->required();
    command->add_option("--page", wish->page, "Page of a PDF, from 1");
    command->add_option("--unit", wish->unit, "What one unit of a DXF is")
        ->check(CLI::IsMember({"mm", "cm", "m", "in", "ft"}));
}

}  // namespace yemvo::cli
