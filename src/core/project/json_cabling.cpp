// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/json_cabling.h"

#include "project/json_lists.h"

namespace yemvo {

Json write_cabling_book(const CablingBook& b) {
    return {{"slack_share", b.slack_share},
            {"slack_m", b.slack_m},
            {"cords_m", b.cords_m},
            {"most_link_m", b.most_link_m},
            {"most_channel_m", b.most_channel_m},
            {"panel_m", b.panel_m},
            {"below_top_m", b.below_top_m},
            {"outlet_reach_m", b.outlet_reach_m},
            {"budget_share", b.budget_share},
            {"cable", b.cable}};
}

CablingBook read_cabling_book(const Reader& r) {
    CablingBook b;
    b.slack_share = r.at("slack_share").number();
    b.slack_m = r.at("slack_m").number();
    b.cords_m = r.at("cords_m").number();
    b.most_link_m = r.at("most_link_m").number();
    b.most_channel_m = r.at("most_channel_m").number();
    b.panel_m = r.at("panel_m").number();
    b.below_top_m = r.at("below_top_m").number();
    b.outlet_reach_m = r.at("outlet_reach_m").number();
    b.budget_share = r.at("budget_share").number();
    b.cable = r.at("cable").text();
    return r.kept(std::move(b));
}

}  // namespace yemvo
