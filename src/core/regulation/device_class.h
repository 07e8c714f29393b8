// SPDX-License-Identifier: GPL-3.0-or-later
// What kind of device a regulator takes an access point for at 6 GHz.
#pragma once
#include <array>
#include <optional>
#include <string_view>

namespace yemvo {

enum class DeviceClass {
    low_power_indoor,
    standard_power,  ///< channels and powers come from a coordination service (AFC)
    very_low_power,
};
inline constexpr std::array device_classes{DeviceClass::low_power_indoor, DeviceClass::standard_power,
                                           DeviceClass::very_low_power};

/// "low_power_indoor": in files and on the command line.
std::string_view device_class_key(DeviceClass);
std::optional<DeviceClass> find_device_class(std::string_view key);
/// "low power indoor"
std::string_view device_class_name(DeviceClass);

}  // namespace yemvo
