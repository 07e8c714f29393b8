// SPDX-License-Identifier: GPL-3.0-or-later
#include "regulation/device_class.h"

#include "base/said.h"

namespace yemvo {
namespace {

struct Words {
    std::string_view key, name;
};
constexpr std::array<Words, device_classes.size()> words{{{"low_power_indoor", mark("low power indoor")},
                                                          {"standard_power", mark("standard power")},
                                                          {"very_low_power", mark("very low power")}}};

}  // namespace

std::string_view device_class_key(DeviceClass c) { return words[static_cast<std::size_t>(c)].key; }
std::string_view device_class_name(DeviceClass c) { return words[static_cast<std::size_t>(c)].name; }

std::optional<DeviceClass> find_device_class(std::string_view key) {
    for (DeviceClass c : device_classes)
        if (device_class_key(c) == key) return c;
    return std::nullopt;
}

}  // namespace yemvo
