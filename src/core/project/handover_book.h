// SPDX-License-Identifier: GPL-3.0-or-later
// What is said once for the whole site about handing the plan over: what the report holds, how access points
// are named, and where on Earth the site is.
#pragma once
#include <optional>
#include <string>
#include <vector>

#include "geometry/point.h"

namespace yemvo {

/// A part of the report, in its place; one that is left out keeps its place.
struct ReportSection {
    std::string key;  ///< of report_sections(); one that is not known there is passed over
    bool on = true;
    friend bool operator==(const ReportSection&, const ReportSection&) = default;
};

/// A map that the report shows of every floor.
struct ReportMap {
    std::string lens;                ///< its key
    std::vector<std::string> bands;  ///< their names: "5"
    friend bool operator==(const ReportMap&, const ReportMap&) = default;
};

/// Texts may hold the placeholders of report_placeholders().
struct ReportChoice {
    std::string title;                    ///< empty: the project's name
    std::string customer, author;         ///< as the cover names them
    std::string revision = "1";           ///< "C", "2.1"
    std::string words;                    ///< on the cover's back
    std::string logo;                     ///< an asset of the project; empty: none
    std::string paper = "A4";             ///< of pages with text: A4 or Letter
    std::string sheet = "A3";             ///< of plans: A4 to A0, Tabloid
    int scale = 0;                        ///< plans are drawn 1 : scale; 0: the largest usual one that fits
    std::vector<ReportSection> sections;  ///< empty: all of them in the usual order
    std::vector<ReportMap> maps;          ///< empty: signal in every band in use
    friend bool operator==(const ReportChoice&, const ReportChoice&) = default;
};

enum class CountedBy { floor, building, site };

/// How names of access points are made. The pattern holds {building}, {floor}, {zone}, {n}.
struct NamingScheme {
    std::string pattern = "{floor}-{n}";
    CountedBy by = CountedBy::floor;
    int digits = 2;  ///< of {n}, filled up with zeros
    int first = 1;
    friend bool operator==(const NamingScheme&, const NamingScheme&) = default;
};

/// A place of the site whose position on Earth is known (WGS 84), and how the site is turned.
struct GeoAnchor {
    Point site_m;
    double latitude_deg = 0, longitude_deg = 0;
    double bearing_deg = 0;  ///< of the site's north, clockwise from true north
    friend bool operator==(const GeoAnchor&, const GeoAnchor&) = default;
};

struct HandoverBook {
    ReportChoice report;
    NamingScheme naming;
    std::optional<GeoAnchor> anchor = {};
    friend bool operator==(const HandoverBook&, const HandoverBook&) = default;
};

}  // namespace yemvo
