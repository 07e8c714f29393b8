// SPDX-License-Identifier: GPL-3.0-or-later
// Numbers and addresses in frames. For capture's own use; whoever asks has made sure that they are there.
#pragma once
#include <cstddef>
#include <cstdint>
#include <span>

namespace yemvo {

/// Little-endian, of up to four bytes.
inline std::uint32_t number_at(std::span<const std::uint8_t> b, std::size_t at, int bytes) {
    std::uint32_t value = 0;
    for (int i = bytes - 1; i >= 0; --i) value = value << 8 | b[at + static_cast<std::size_t>(i)];
    return value;
}
/// Of a device, its first byte highest.
inline std::uint64_t address_at(std::span<const std::uint8_t> b, std::size_t at) {
    std::uint64_t value = 0;
    for (std::size_t i = 0; i < 6; ++i) value = value << 8 | b[at + i];
    return value;
}

}  // namespace yemvo
