// SPDX-License-Identifier: GPL-3.0-or-later
// Lists to and from JSON arrays. For the project's own use: it brings the whole JSON library along.
#pragma once
#include <nlohmann/json.hpp>

#include "project/json_reader.h"

namespace yemvo {

template <class List, class Write>
Json write_list(const List& list, Write write) {
    Json out = Json::array();
    for (const auto& entry : list) out.push_back(write(entry));
    return out;
}

/// Where the reading is tolerant, an entry that cannot be read is set aside.
template <class T, class Read>
std::vector<T> read_list(const Reader& r, Read read, std::size_t most = limits::things) {
    if (std::any* taken = r.taken()) return std::any_cast<std::vector<T>&&>(std::move(*taken));
    std::vector<T> out;
    for (const Reader& item : r.items(most)) item.part([&] { out.push_back(read(item)); });
    return out;
}

/// Empty where the key is absent: files of earlier formats.
template <class T, class Read>
std::vector<T> read_list_if_any(const Reader& r, const char* key, Read read) {
    const auto list = r.find(key);
    return list ? read_list<T>(*list, read) : std::vector<T>();
}

}  // namespace yemvo
