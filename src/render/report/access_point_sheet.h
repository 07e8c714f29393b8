// SPDX-License-Identifier: GPL-3.0-or-later
// A page for who hangs an access point: where, how high, how turned, which cable, which channel.
#pragma once
#include "render/report/blocks.h"
#include "render/report/facts.h"

namespace yemvo::render::report {

SheetBlock access_point_sheet(const ReportFacts&, const Floor&, const AccessPoint&);

/// "LIB-02, no. 2"; the number alone where there is no name.
QString name_and_number(const AccessPoint&);
/// "TR-1, TR-1-1 / 4"; where no port is known the closet alone, where no way leads to one nothing.
QString port_words(const ReportFacts&, AccessPointId);
/// What its QR code says: name, site, floor, model, port.
QString label_text(const ReportFacts&, const Floor&, const AccessPoint&);

}  // namespace yemvo::render::report
