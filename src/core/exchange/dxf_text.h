// SPDX-License-Identifier: GPL-3.0-or-later
// Words in DXF files: code pages, escapes and formatting.
#pragma once
#include <string>
#include <string_view>

namespace yemvo {

/// Turns a file's bytes into UTF-8.
class DxfTextDecoder {
public:
    /// `version`: $ACADVER, "AC1021" and later are UTF-8; `code_page`: $DWGCODEPAGE, as "ANSI_1252".
    DxfTextDecoder(std::string_view version, std::string_view code_page);
    /// With \U+XXXX resolved; bytes that mean nothing in the code page become '?'.
    std::string decode(std::string_view) const;

private:
    std::string page_;  ///< for iconv; empty: UTF-8
};

/// A TEXT value: %%d, %%c, %%p and the like resolved.
std::string plain_text(const std::string&);
/// An MTEXT value without its formatting; lines parted by \n.
std::string plain_mtext(const std::string&);

}  // namespace yemvo
