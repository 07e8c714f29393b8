// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/json_handover.h"

#include "project/json_lists.h"
#include "project/json_shapes.h"

namespace yemvo {
namespace {

constexpr std::pair<CountedBy, const char*> counted_by[] = {
    {CountedBy::floor, "floor"}, {CountedBy::building, "building"}, {CountedBy::site, "site"}};

const char* counted_by_key(CountedBy by) {
    for (const auto& [known, key] : counted_by)
        if (known == by) return key;
    return "floor";
}
std::optional<CountedBy> find_counted_by(std::string_view text) {
    for (const auto& [known, key] : counted_by)
        if (text == key) return known;
    return {};
}

void put(Json& json, const char* key, const std::string& text) {
    if (!text.empty()) json[key] = text;
}
std::string text_if_any(const Reader& r, const char* key, TextLimit limit = limits::name) {
    const auto found = r.find(key);
    return found ? found->text(limit) : std::string();
}

Json write_section(const ReportSection& s) { return {{"key", s.key}, {"on", s.on}}; }
ReportSection read_section(const Reader& r) { return {r.at("key").text(limits::key), r.at("on").boolean()}; }

Json write_map(const ReportMap& m) { return {{"lens", m.lens}, {"bands_ghz", m.bands}}; }
ReportMap read_map(const Reader& r) {
    return {r.at("lens").text(limits::key),
            read_list<std::string>(r.at("bands_ghz"), [](const Reader& b) { return b.text(limits::key); })};
}

Json write_naming(const NamingScheme& n) {
    return {{"pattern", n.pattern}, {"by", counted_by_key(n.by)}, {"digits", n.digits}, {"first", n.first}};
}
NamingScheme read_naming(const Reader& r) {
    return {r.at("pattern").text(limits::key), r.at("by").word(find_counted_by), r.at("digits").integer(),
            r.at("first").integer()};
}

Json write_anchor(const GeoAnchor& a) {
    return {{"site_m", write_point(a.site_m)},
            {"latitude_deg", a.latitude_deg},
            {"longitude_deg", a.longitude_deg},
            {"bearing_deg", a.bearing_deg}};
}
GeoAnchor read_anchor(const Reader& r) {
    return {read_point(r.at("site_m")), r.at("latitude_deg").number(), r.at("longitude_deg").number(),
            r.at("bearing_deg").number()};
}

}  // namespace

Json write_on_site(const OnSite& s) {
    Json json{{"state", site_state(s.state).key}};
    put(json, "date", s.date);
    put(json, "serial", s.serial);
    put(json, "address", s.address);
    put(json, "photo", s.photo);
    put(json, "note", s.note);
    return json;
}

OnSite read_on_site(const Reader& r) {
    OnSite s;
    s.state = r.at("state").word(find_site_state);
    s.date = text_if_any(r, "date");
    s.serial = text_if_any(r, "serial");
    s.address = text_if_any(r, "address");
    s.photo = text_if_any(r, "photo");
    s.note = text_if_any(r, "note", limits::words);
    return s;
}

Json write_report_choice(const ReportChoice& c) {
    Json json{{"revision", c.revision}, {"paper", c.paper}, {"sheet", c.sheet}, {"scale", c.scale}};
    put(json, "title", c.title);
    put(json, "customer", c.customer);
    put(json, "author", c.author);
    put(json, "words", c.words);
    put(json, "logo", c.logo);
    if (!c.sections.empty()) json["sections"] = write_list(c.sections, write_section);
    if (!c.maps.empty()) json["maps"] = write_list(c.maps, write_map);
    return json;
}

ReportChoice read_report_choice(const Reader& r) {
    ReportChoice c;
    c.revision = r.at("revision").text(limits::name);
    c.paper = r.at("paper").text(limits::key);
    c.sheet = r.at("sheet").text(limits::key);
    c.scale = r.at("scale").integer();
    c.title = text_if_any(r, "title");
    c.customer = text_if_any(r, "customer");
    c.author = text_if_any(r, "author");
    c.words = text_if_any(r, "words", limits::words);
    c.logo = text_if_any(r, "logo");
    c.sections = read_list_if_any<ReportSection>(r, "sections", read_section);
    c.maps = read_list_if_any<ReportMap>(r, "maps", read_map);
    return r.kept(std::move(c));
}

Json write_handover_book(const HandoverBook& b) {
    Json json{{"report", write_report_choice(b.report)}, {"naming", write_naming(b.naming)}};
    if (b.anchor) json["anchor"] = write_anchor(*b.anchor);
    return json;
}

HandoverBook read_handover_book(const Reader& r) {
    HandoverBook b;
    b.report = read_report_choice(r.at("report"));
    b.naming = read_naming(r.at("naming"));
    if (const auto anchor = r.find("anchor")) b.anchor = read_anchor(*anchor);
    return r.kept(std::move(b));
}

}  // namespace yemvo
