// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "gear/on_site.h"
#include "project/handover_book.h"
#include "project/json_reader.h"

namespace yemvo {

Json write_on_site(const OnSite&);
OnSite read_on_site(const Reader&);
Json write_report_choice(const ReportChoice&);
ReportChoice read_report_choice(const Reader&);
Json write_handover_book(const HandoverBook&);
HandoverBook read_handover_book(const Reader&);

}  // namespace yemvo
