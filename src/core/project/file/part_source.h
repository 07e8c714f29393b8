// SPDX-License-Identifier: GPL-3.0-or-later
// Where the parts of a project are read from: an archive, a journal's folder, a text.
#pragma once
#include <functional>
#include <istream>
#include <string>
#include <string_view>
#include <vector>

#include "project/project.h"

namespace yemvo {

/// How entries begin that are a drawing's or a photo's own bytes.
inline constexpr std::string_view asset_prefix = "assets/";

inline Bytes bytes_of(std::string_view text) {
    const auto* begin = reinterpret_cast<const std::byte*>(text.data());
    return Bytes(begin, begin + text.size());
}
inline std::string_view text_of(const Bytes& bytes) {
    return {reinterpret_cast<const char*>(bytes.data()), bytes.size()};
}

class PartSource {
public:
    virtual ~PartSource() = default;
    /// Of entries that are no folders.
    virtual const std::vector<std::string>& names() const = 0;
    virtual bool has(const std::string& entry) const = 0;
    /// Calls `use` with the entry as a stream, which is never in memory as a whole. Throws Error where it is
    /// missing or damaged.
    virtual void stream(const std::string& entry, const std::function<void(std::istream&)>& use) const = 0;
    /// Throws Error where it is missing or damaged.
    virtual Bytes read(const std::string& entry) const = 0;
};

}  // namespace yemvo
