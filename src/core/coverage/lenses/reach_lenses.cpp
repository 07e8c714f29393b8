// SPDX-License-Identifier: GPL-3.0-or-later
// How far the plan reaches: levels, and who serves.
#include "coverage/lenses/lens_entries.h"

namespace yemvo {
namespace {

using P = LensPainter;

void strongest(P& p, LensPlane& out) { p.decibels(p.reduction().best_cdbm, out); }
void next_best(P& p, LensPlane& out) { p.decibels(p.reduction().next_cdbm, out); }
void third(P& p, LensPlane& out) { p.decibels(p.reduction().third_cdbm, out); }
void above_noise(P& p, LensPlane& out) {
    kernels::above_floor(p.reduction().best_cdbm.data(), p.serving(), p.noise().data(), p.cells(),
                         out.data());
}
void serving(P& p, LensPlane& out) {
    p.of_serving([](const RadioField& f) { return f.number; }, out);
}
void serving_band(P& p, LensPlane& out) {
    p.of_serving([](const RadioField& f) { return f.band.index; }, out);
}
void left(P& p, LensPlane& out) { p.decibels(p.left_after_failure(), out); }
/// Where nobody else is heard, all of the signal down to the noise is lost.
void lost(P& p, LensPlane& out) {
    kernels::lost_without(p.reduction().best_cdbm.data(), p.left_after_failure().data(), p.serving(),
                          p.noise().data(), p.cells(), out.data());
}

}  // namespace

std::vector<LensEntry> reach_lenses() {
    using enum LensGroup;
    using enum LensKind;
    using enum LensBands;
    return {
        {{LensId::signal, reach, amount, "signal", mark("Signal"), "dBm", -90, 5, -67, 2, true,
          mark("The strongest radio as the client receives it.")},
         strongest},
        {{LensId::next_best, reach, amount, "next_best", mark("Next-best signal"), "dBm", -90, 5, -75, 2,
          true,
          mark("The strongest radio of any other access point than the serving one: where a client can move "
               "on "
               "to.")},
         next_best},
        {{LensId::third, reach, amount, "third", mark("Third-strongest signal"), "dBm", -90, 5, -75, 2, true,
          mark("The third access point's signal: what locating devices and smooth roaming count on.")},
         third},
        {{LensId::snr, reach, amount, "snr", mark("SNR"), "dB", 0, 5, 25, 2, true,
          mark("The serving radio's signal over thermal noise in its channel's width."), LensBands::best},
         above_noise},
        {{LensId::serving, reach, access_point, "serving", mark("Serving access point"), "", 0, 1, 0, 1, true,
          mark("Which access point is strongest here.")},
         serving},
        {{LensId::serving_band, reach, band, "serving_band", mark("Serving band"), "", 0, 1, 0, 1, true,
          mark("Which of the chosen bands is strongest here.")},
         serving_band},
        {{LensId::failure,
          reach,
          amount,
          "failure",
          mark("Signal after a failure"),
          "dBm",
          -90,
          5,
          -75,
          2,
          true,
          mark("The signal that is left when the selected access points fail; with all shown, when at each "
               "place "
               "the "
               "one fails that it depends on most."),
          together,
          {},
          true},
         left},
        {{LensId::failure_loss,
          reach,
          amount,
          "failure_loss",
          mark("Signal drop on failure"),
          "dB",
          0,
          3,
          12,
          2,
          false,
          mark("By how many dB the signal falls when the selected access points fail; with all shown, the "
               "serving "
               "one."),
          together,
          {},
          true},
         lost},
    };
}

}  // namespace yemvo
