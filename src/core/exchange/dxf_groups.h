// SPDX-License-Identifier: GPL-3.0-or-later
// DXF as a stream of groups: a code and a value. Text and binary files read alike.
// Source: the published DXF reference, "DXF file format", "ASCII" and "binary DXF files".
#pragma once
#include <cstdint>
#include <string>
#include <string_view>

#include "base/said.h"

namespace yemvo {

struct DxfGroup {
    int code = 0;
    std::string_view value;  ///< without surrounding blanks; good until the next group is read
};

class DxfGroups {
public:
    /// The text must outlive this.
    explicit DxfGroups(std::string_view file);
    /// False at the end. Throws Error naming the line for what is no group.
    bool next(DxfGroup&);
    /// Where the last group stood: "line 120" or "byte 3310".
    Said place() const;
    bool is_binary() const { return binary_; }

private:
    bool next_text(DxfGroup&);
    bool next_binary(DxfGroup&);
    std::string_view line();
    template <class T>
    T little_endian();
    std::string_view file_;
    std::size_t at_ = 0, line_ = 0, group_at_ = 0;
    bool binary_ = false, wide_codes_ = true;
    std::string number_;
};

/// The value as a number; NaN when it is none or not finite.
double dxf_number(std::string_view value);
/// The value as a whole number; `otherwise` when it is none.
long dxf_integer(std::string_view value, long otherwise = 0);

}  // namespace yemvo
