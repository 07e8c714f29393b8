// SPDX-License-Identifier: GPL-3.0-or-later
// Ways through JSON that may be wrong in any way, for the steps that bring old files up to date.
#pragma once
#include <nlohmann/json.hpp>

#include "project/json_reader.h"

namespace yemvo {

/// Null unless `object` is one and has the field.
inline Json* json_field(Json& object, const char* key) {
    if (!object.is_object()) return nullptr;
    const auto found = object.find(key);
    return found == object.end() ? nullptr : &*found;
}

/// Entries of the list in a field; none where it is no list.
template <class Use>
void each_json(Json& object, const char* key, Use use) {
    Json* list = json_field(object, key);
    if (!list || !list->is_array()) return;
    for (Json& entry : *list) use(entry);
}

}  // namespace yemvo
