// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/gear_library.h"

#include <algorithm>
#include <initializer_list>
#include <nlohmann/json.hpp>

#include "project/json_antenna.h"
#include "project/json_gear.h"
#include "project/json_lists.h"
#include "project/json_parse.h"
#include "project/library_file.h"

namespace yemvo {
namespace {

/// Tells fields that no reader asks for: most often a word that was meant otherwise.
class UnknownFields {
public:
    explicit UnknownFields(std::vector<Said>& warnings) : warnings_(warnings) {}

    void in_model(const Json& model, const std::string& place) const {
        only(model, place,
             {"id", "key", "name", "mount", "mount_height_m", "mounts", "width_mm", "height_mm", "depth_mm",
              "weight_kg", "price", "outdoor", "radios", "power"});
        each(model, place, "radios", [this](const Json& radio, const std::string& at) {
            only(radio, at, {"standard", "bands", "most_clients"});
            each(radio, at, "bands", [this](const Json& band, const std::string& where) {
                only(
                    band, where,
                    {"band_ghz", "widest_mhz", "power", "chains", "noise_figure_db", "antenna", "connector"});
            });
        });
        each(model, place, "power", [this](const Json& row, const std::string& at) {
            only(row, at, {"source", "watts", "alternatives"});
        });
    }
    void in_antenna(const Json& antenna, const std::string& place) const {
        only(antenna, place,
             {"id", "key", "name", "connector", "width_mm", "height_mm", "depth_mm", "weight_kg", "price",
              "outdoor", "bands"});
    }
    template <class Use>
    static void each(const Json& owner, const std::string& place, const char* key, Use use) {
        if (!owner.is_object() || !owner.contains(key) || !owner[key].is_array()) return;
        for (std::size_t i = 0; i < owner[key].size(); ++i)
            use(owner[key][i],
                place + (place.ends_with(' ') ? "" : ".") + key + "[" + std::to_string(i) + "]");
    }

private:
    void only(const Json& object, const std::string& place,
              std::initializer_list<std::string_view> known) const {
        if (!object.is_object()) return;
        for (const auto& [key, value] : object.items())
            if (std::ranges::find(known, key) == known.end())
                warnings_.push_back(say("%1: nobody knows the field '%2'", place, key.substr(0, 60)));
    }
    std::vector<Said>& warnings_;
};

template <class T, class Write>
Json without_ids(const std::vector<T>& list, Write write) {
    return write_list(list, [&](const T& entry) {
        Json json = write(entry);
        json.erase("id");
        return json;
    });
}

}  // namespace

std::string gear_to_json(const GearLibrary& library) {
    const Json json{{"format", "yemvo-gear"},
                    {"version", 1},
                    {"models", without_ids(library.models, write_model)},
                    {"antennas", without_ids(library.antennas, write_antenna_model)},
                    {"cables", write_list(library.cables, write_cable)}};
    return json.dump(1, ' ', false, Json::error_handler_t::replace) + "\n";
}

GearLibrary gear_from_json(std::string_view text, const std::string& name) {
    const Json json = parse_json(text, name, say("Choose a file of gear that Yemvo wrote"));
    const Reader r(json, name + ": ");
    check_library_file(r, "yemvo-gear", name);
    GearLibrary library;
    library.models = read_list_if_any<AccessPointModel>(r, "models", read_model);
    library.antennas = read_list_if_any<AntennaModel>(r, "antennas", read_antenna_model);
    library.cables = read_list_if_any<CableType>(r, "cables", read_cable);
    for (AccessPointModel& m : library.models) m.id = {};
    for (AntennaModel& a : library.antennas) a.id = {};
    const UnknownFields unknown(library.warnings);
    UnknownFields::each(json, name + ": ", "models",
                        [&](const Json& m, const std::string& at) { unknown.in_model(m, at); });
    UnknownFields::each(json, name + ": ", "antennas",
                        [&](const Json& a, const std::string& at) { unknown.in_antenna(a, at); });
    return library;
}

}  // namespace yemvo
