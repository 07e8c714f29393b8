// SPDX-License-Identifier: GPL-3.0-or-later
// Reads DXF, text or binary, R12 to 2018.
#pragma once
#include <string>

#include "base/progress.h"
#include "exchange/cad_drawing.h"
#include "project/project.h"

namespace yemvo {

/// At most this many pieces are kept, a curve counting by its points; what goes beyond is told in `skipped`.
inline constexpr std::size_t most_cad_pieces = 1'000'000;

/// Model space with all blocks put in their places. What cannot be shown, or is broken, is told in `skipped`
/// and the rest kept. Throws Error naming `name` for what is no DXF or holds nothing to show; Cancelled.
CadDrawing read_dxf(const Bytes&, const std::string& name, const CancelToken& = {});

/// Whether the bytes begin like a DXF file.
bool looks_like_dxf(const Bytes&);

}  // namespace yemvo
