// SPDX-License-Identifier: GPL-3.0-or-later
// Plans as pictures for other programs: PNG and SVG, a file a floor and one for each of its maps.
#pragma once
#include <span>
#include <string>
#include <vector>

#include "handover/handover_files.h"
#include "render/report/facts.h"

namespace yemvo::render::report {

/// Dots a metre a plan may have as PNG; a floor whose picture would be wider or higher than 20,000 dots gets
/// as many as fit.
struct PictureWish {
    double dots_per_m = 40;
};

/// "png" and "svg"; empty for another kind. `facts` must outlive the files.
std::vector<HandoverFile> picture_files(const ReportFacts&, std::string_view kind, const PictureWish& = {});
/// Which maps those kinds of files show.
WishedMaps maps_for(std::span<const std::string> kinds);

/// What the core writes, these, and the plan as one page ("html").
std::vector<FileKind> all_file_kinds();
std::vector<HandoverFile> all_files(const ReportFacts&, std::string_view kind, const PictureWish& = {});

}  // namespace yemvo::render::report
