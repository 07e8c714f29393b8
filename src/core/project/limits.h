// SPDX-License-Identifier: GPL-3.0-or-later
// How large things may be: the one set that edits, files, the schema and the window's fields keep to. A value
// beyond them is a mistake of a hand or a file, not a venue.
#pragma once
#include <cstddef>
#include <span>

namespace yemvo {

/// A number's bounds, both allowed.
struct Range {
    double low, high;
    const char* unit = "";
    /// False also for what is not a number.
    constexpr bool holds(double v) const { return v >= low && v <= high; }
};

/// A text's most characters (code points, as a JSON schema counts them).
struct TextLimit {
    std::size_t most;
};

namespace limits {

inline constexpr Range coordinate_m{-1e5, 1e5, "m"};   ///< beyond 100 km is a mistake
inline constexpr Range sheet_coordinate{-1e12, 1e12};  ///< CAD drawings lie where a surveyor put them
inline constexpr Range elevation_m{-1000, 10'000, "m"};
inline constexpr Range axis_m{0.1, 1000, "m"};  ///< from an axis to the next
inline constexpr Range storey_height_m{0.1, 1000, "m"};
inline constexpr Range above_floor_m{-100, 1000, "m"};  ///< bases, tops, sills, heads
inline constexpr Range mounting_m{0, 1000, "m"};        ///< of an access point above its floor
inline constexpr Range ceiling_height_m{0.1, 1000, "m"};
inline constexpr Range rise_m{-100, 100, "m"};
inline constexpr Range slope{-10, 10};
inline constexpr Range slab_thickness_m{0, 10, "m"};
inline constexpr Range bulge{-100, 100};  ///< 100: all but 2.3 degrees of a circle
inline constexpr Range opening_start_m{-1000, 1e5, "m"};
inline constexpr Range opening_width_m{0.01, 1000, "m"};
inline constexpr Range angle_deg{-3600, 3600, "°"};
inline constexpr Range tilt_deg{-90, 90, "°"};
inline constexpr Range metres_per_unit{1e-12, 1e9};
inline constexpr Range known_length_m{1e-6, 1e6, "m"};
inline constexpr Range share{0, 1};
inline constexpr Range client_height_m{0, 100, "m"};
inline constexpr Range noise_figure_db{0, 30, "dB"};
inline constexpr Range heard_dbm{-120, 0, "dBm"};
inline constexpr Range grid_m{0.1, 5, "m"};  ///< finer fills the memory, coarser misses rooms
inline constexpr Range power_dbm{-50, 60, "dBm"};
inline constexpr Range power_step_db{0.1, 20, "dB"};
inline constexpr Range mount_height_m{0, 100, "m"};
inline constexpr Range width_mhz{20, 320, "MHz"};
inline constexpr Range gain_dbi{-50, 60, "dBi"};
inline constexpr Range beamwidth_deg{1, 720, "°"};
inline constexpr Range lobe_tilt_deg{-90, 90, "°"};
inline constexpr Range below_peak_db{0, 100, "dB"};
inline constexpr Range lobe_floor_db{-100, 0, "dB"};
inline constexpr Range lobe_exponent{0, 100};
inline constexpr Range chains{1, 64};
inline constexpr Range most_clients{0, 100'000};  ///< 0: not told
inline constexpr Range watts{0, 1000, "W"};
inline constexpr Range power_alternative{0, 15};
inline constexpr Range size_mm{0, 10'000, "mm"};
inline constexpr Range weight_kg{0, 1000, "kg"};
inline constexpr Range price{0, 1e7};
inline constexpr Range pattern_db{-300, 0, "dB"};                 ///< a cut's values
inline constexpr Range upright_cut_deg{0.001, 179.999, "°"};      ///< azimuth of a further elevation cut
inline constexpr Range level_cut_deg{-89.999, 89.999, "°"};       ///< elevation of a further azimuth cut
inline constexpr Range pattern_frequency_mhz{0, 300'000, "MHz"};  ///< 0: not told
inline constexpr Range cable_loss_db_per_m{0, 100, "dB/m"};
inline constexpr Range cable_ends_db{0, 20, "dB"};
inline constexpr Range cable_m{0, 1000, "m"};
inline constexpr Range print_scale{0, 100'000};  ///< 0: as it fits
inline constexpr Range name_digits{1, 6};
inline constexpr Range latitude_deg{-90, 90, "°"};
inline constexpr Range longitude_deg{-180, 180, "°"};
inline constexpr std::size_t report_maps = 20;
inline constexpr std::size_t report_sections = 100;
inline constexpr Range streams{1, 16};
inline constexpr Range people{0, 1e6};
inline constexpr Range people_per_m2{0, 10};  ///< more do not stand on a square metre
inline constexpr Range devices_a_head{0, 50};
inline constexpr Range presence{0, 10};
inline constexpr Range growth{0, 20};
inline constexpr Range mix_share{0, 1000};
inline constexpr Range demand_mbps{0, 100'000, "Mbit/s"};
inline constexpr Range packet_bytes{40, 2304, "B"};
inline constexpr Range burst{1, 1000};  ///< packets
inline constexpr Range needed_dbm{-200, 0, "dBm"};
inline constexpr Range leaves_dbm{-120, 0, "dBm"};
inline constexpr Range beacon_bytes{50, 2304, "B"};
inline constexpr Range lowest_rate_mbps{1, 54, "Mbit/s"};
inline constexpr Range counted{0, 1e9};  ///< addresses, connections; 0: not told
inline constexpr Range type_thickness_m{0.001, 10, "m"};
inline constexpr Range layer_thickness_m{0, 10, "m"};
inline constexpr Range sheet_ohm{0.01, 1e6, "Ω"};
inline constexpr Range loss_db{0, 2000, "dB"};
inline constexpr Range loss_frequency_ghz{0.1, 300, "GHz"};
inline constexpr Range material_frequency_ghz{0, 1000, "GHz"};
inline constexpr Range permittivity{0.5, 200};
inline constexpr Range conductivity{0, 1e9};
inline constexpr Range exponent{-5, 5};
inline constexpr Range most_db{0, 300, "dB"};
inline constexpr Range rule_limit{-10'000, 100'000};
inline constexpr Range colours_low{-10'000, 100'000};
inline constexpr Range colours_step{0.01, 10'000};
inline constexpr Range requirement_limit{-10'000, 100'000};
inline constexpr Range access_point_number{0, 1'000'000};
inline constexpr Range probe_number{1, 1'000'000};
inline constexpr Range page{0, 1'000'000};

inline constexpr TextLimit name{2000};
inline constexpr TextLimit key{100};
inline constexpr TextLimit access_point_name{100};
inline constexpr TextLimit words{10'000};  ///< notes, reasons
inline constexpr TextLimit source{1000};
inline constexpr TextLimit standard{20};
inline constexpr TextLimit country{2};
inline constexpr TextLimit material_name{200};

inline constexpr std::size_t floors = 500;  ///< of a building
inline constexpr std::size_t buildings = 1000;
inline constexpr std::size_t points = 100'000;    ///< of an outline or a run
inline constexpr std::size_t things = 1'000'000;  ///< of a kind, on a floor
inline constexpr std::size_t radios = 5;
inline constexpr std::size_t bands = 20;  ///< of a radio, of an antenna
inline constexpr std::size_t power_levels = 200;
inline constexpr std::size_t power_alternatives = 16;
inline constexpr std::size_t further_cuts = 400;  ///< of a pattern at a frequency
inline constexpr std::size_t frequencies = 200;   ///< of a measured pattern
inline constexpr std::size_t layers = 50;
inline constexpr std::size_t axes = 500;    ///< lettered or numbered ones of a building
inline constexpr std::size_t pairs = 1000;  ///< of an alignment; known lengths of a drawing
inline constexpr std::size_t hidden_layers = 100'000;
inline constexpr std::size_t mix_parts = 100;
inline constexpr std::size_t busy_hours = 50;
inline constexpr std::size_t networks = 64;
inline constexpr std::size_t applications = 1000;
inline constexpr std::size_t rule_limits = 200;
inline constexpr std::size_t radar_channels = 50;

/// Those that the schema states, by the name of its definition.
struct Named {
    const char* name;
    Range range;
};
std::span<const Named> in_schema();
struct NamedText {
    const char* name;
    TextLimit limit;
};
std::span<const NamedText> texts_in_schema();

}  // namespace limits
}  // namespace yemvo
