// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/json_air.h"

#include "project/json_lists.h"

namespace yemvo {

Json write_air_book(const AirBook& book) {
    Json limits = Json::array();
    for (const auto& [key, value] : book.limits) limits.push_back({{"key", key}, {"value", value}});
    return {{"limits", limits}, {"radar_channels", book.radar}};
}

AirBook read_air_book(const Reader& r) {
    AirBook book;
    const Reader set = r.at("limits"), radar = r.at("radar_channels");
    for (const Reader& entry : set.items(limits::rule_limits))
        book.limits[entry.at("key").text(limits::key)] = entry.at("value").number();
    for (const Reader& channel : radar.items(limits::radar_channels)) book.radar.push_back(channel.integer());
    return r.kept(std::move(book));
}

}  // namespace yemvo
