// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/json_project.h"

#include <nlohmann/json.hpp>

#include "project/file/all_parts.h"

namespace yemvo {
namespace {

/// One entry, the outline, with everything inside.
class OneText : public PartSource {
public:
    explicit OneText(std::string_view text) : text_(text) {}
    const std::vector<std::string>& names() const override { return names_; }
    bool has(const std::string& entry) const override { return entry == outline_entry; }
    void stream(const std::string& entry, const std::function<void(std::istream&)>& use) const override {
        check(entry);
        ViewBuffer buffer(text_);
        std::istream in(&buffer);
        use(in);
    }
    Bytes read(const std::string& entry) const override {
        check(entry);
        return bytes_of(text_);
    }

private:
    void check(const std::string& entry) const {
        if (!has(entry)) throw Error(say("is missing"), entry, say("Try an earlier version of the file"));
    }
    std::string_view text_;
    std::vector<std::string> names_{outline_entry};
};

void add_floor_parts(Json& told, const Floor& floor, LargeLists& large) {
    for (const auto& kind : floor_parts()) told.update(kind.write(floor, large));
}

void add_access_points(Json& told, const Variant& v, LargeLists& large) {
    std::size_t i = 0;
    for (const auto& entry : v.access_points) {
        for (const auto& kind : placed_parts()) told["floors"][i].update(kind.write(entry.second, large));
        ++i;
    }
}

Json versions() {
    Json json = Json::object();
    const auto add = [&](const auto& kinds) {
        for (const auto& kind : kinds) json[kind.key] = kind.version();
    };
    add(project_parts());
    add(floor_parts());
    add(placed_parts());
    return json;
}

}  // namespace

std::string project_to_json(const Project& p) {
    LargeLists large;
    Json json{{"format", "yemvo-project"}, {"version", format_version}, {"parts", versions()}};
    json.update(write_outline(p));
    for (std::size_t b = 0; b < p.buildings.size(); ++b)
        for (std::size_t f = 0; f < p.buildings[b].floors.size(); ++f)
            add_floor_parts(json["buildings"][b]["floors"][f], p.buildings[b].floors[f], large);
    for (std::size_t v = 0; v < p.variants.size(); ++v)
        add_access_points(json["variants"][v], p.variants[v], large);
    for (const auto& kind : project_parts())
        if (!kind.is_empty || !kind.is_empty(p)) json.update(kind.write(p, large));
    return json_text(json, large);
}

ReadProject project_from_json(std::string_view text, bool tolerant) {
    return read_project(OneText(text), tolerant);
}

Project project_from_json(std::string_view text) { return project_from_json(text, false).project; }

}  // namespace yemvo
