// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/charts/chart_page.h"

#include <QComboBox>
#include <QFileInfo>
#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QPainter>
#include <QPushButton>
#include <algorithm>
#include <cmath>

#include "antenna/pattern/cut_edits.h"
#include "antenna/pattern/pattern_file.h"
#include "app/charts/chart_canvas.h"
#include "app/charts/chart_checks.h"
#include "app/forms/form.h"
#include "app/forms/form_parts.h"
#include "app/forms/page_parts.h"
#include "app/look/theme.h"
#include "app/pattern/pattern_plots.h"
#include "base/error.h"
#include "base/number_text.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {

ChartPage::ChartPage(Workspace& workspace, QWidget* parent) : QWidget(parent), workspace_(workspace) {
    auto* row = page_body(this, "chartPage", make_head());
    canvas_ = new ChartCanvas(this);
    row->addWidget(canvas_, 1);
    plots_ = new PatternPlots(this);
    row->addWidget(plots_);
    row->addWidget(make_right());
    connect(canvas_, &ChartCanvas::chosen, this, &ChartPage::choose);
    connect(canvas_, &ChartCanvas::moved, this, [this](int chart, const ChartFrame& frame) {
        choose(chart);
        change([&](TracedChart& c) {
            const double by = frame.outer_px / c.found.frame.outer_px;
            for (double& ring : c.found.rings_px) ring *= by;
            c.found.frame = frame;
        });
    });
    connect(canvas_, &ChartCanvas::drawn, this, [this](int chart, const std::vector<Point>& line) {
        choose(chart);
        change([&](TracedChart& c) { c.drawn.push_back(line); });
    });
    connect(canvas_, &ChartCanvas::undrawn, this, [this] {
        if (chosen_chart() && !chosen_chart()->drawn.empty())
            change([](TracedChart& c) { c.drawn.pop_back(); });
    });
    connect(canvas_, &ChartCanvas::drawing_changed, this, [this](bool on) { by_hand_->setChecked(on); });
    connect(canvas_, &ChartCanvas::picked, this, [this](int chart, Colour colour) {
        choose(chart);
        change([&](TracedChart& c) { c.colour = colour; });
    });
}

QWidget* ChartPage::make_head() {
    const PageHead head = page_head(this);
    title_ = head.title;
    told_ = head.about;
    page_ = new QComboBox;
    page_->setObjectName("chartPageNumber");
    page_->setAccessibleName(tr("Page"));
    head.bar->insertWidget(1, page_);
    auto* add =
        push_button(tr("Add a chart by hand"), "addChart", tr("Rings to lay over one that was not found"));
    auto* discard = push_button(tr("Discard"), "discardChart", tr("Esc"));
    accept_ = push_button(tr("Put into the library"), "main");
    accept_->setProperty("tests", "acceptChart");
    for (QPushButton* b : {add, discard, accept_}) head.bar->addWidget(b);
    connect(page_, &QComboBox::activated, this, [this](int i) { read(sheet_.file, i + 1); });
    connect(add, &QPushButton::clicked, this, [this] {
        if (sheet_.image.isNull()) return;
        TracedChart laid = chart_by_hand(sheet_.image);
        laid.use = free_use();
        sheet_.charts.push_back(std::move(laid));
        choose(static_cast<int>(sheet_.charts.size()) - 1);
        retrace(chosen_);
    });
    connect(discard, &QPushButton::clicked, this, &ChartPage::left);
    connect(accept_, &QPushButton::clicked, this, &ChartPage::accept);
    return head.widget;
}

QWidget* ChartPage::make_chart_rows() {
    auto* box = new QWidget;
    auto* grid = new QGridLayout(box);
    grid->setContentsMargins(0, 0, 0, 0);
    grid->setVerticalSpacing(5);
    int line = 0;
    const auto row = [&](const QString& words, QWidget* field) { add_row(grid, line++, words, field); };
    use_ = new QComboBox;
    use_->setObjectName("chartUse");
    use_->addItems({tr("not used"), tr("azimuth"), tr("elevation")});
    row(tr("This chart is"), use_);
    ring_ = new UnitField("dB");
    ring_->setObjectName("chartRing");
    row(tr("Between rings"), ring_);
    zero_ = new UnitField(tr("° from up"));
    zero_->setObjectName("chartZero");
    row(tr("0° stands at"), zero_);
    runs_ = new QComboBox;
    runs_->setObjectName("chartRuns");
    runs_->addItems({tr("clockwise"), tr("counter-clockwise")});
    row(tr("Angles run"), runs_);
    colour_ = push_button(tr("Pick on the sheet"), "chartColour",
                          tr("Then click on the curve; the lens shows where"));
    row(tr("Curve"), colour_);
    by_hand_ =
        push_button(tr("Draw on the sheet"), "chartDraw",
                    tr("Click where the curve goes, it is followed between; drag to draw it; Backspace "
                       "takes the last off. Without this button: with Shift"));
    by_hand_->setCheckable(true);
    row(tr("By hand"), by_hand_);
    grid->setColumnStretch(1, 1);
    connect(use_, &QComboBox::activated, this, &ChartPage::use_as);
    connect(runs_, &QComboBox::activated, this,
            [this](int i) { change([&](TracedChart& c) { c.found.frame.clockwise = i == 0; }); });
    connect(colour_, &QPushButton::clicked, this, [this] { canvas_->pick_colour(true); });
    connect(by_hand_, &QPushButton::clicked, this, [this](bool on) {
        canvas_->draw(on);
        canvas_->setFocus();
    });
    const auto number = [this](UnitField* field, double low, double high, const QString& unit,
                               const std::function<void(TracedChart&, double)>& set) {
        connect(field, &UnitField::confirmed, this,
                [this, field, low, high, unit, set](const QString& typed) {
                    try {
                        const double v = parse_number(typed, low, high, unit);
                        change([&](TracedChart& c) { set(c, v); });
                    } catch (const Error& fault) {
                        field->show_fault(fault_text(fault));
                    }
                });
    };
    number(ring_, 0.1, 60, "dB", [](TracedChart& c, double v) {
        c.found.frame.db_per_px *= v / c.found.ring_db;
        c.found.ring_db = v;
        c.found.ring_db_guessed = false;
    });
    number(zero_, -360, 360, "°", [](TracedChart& c, double v) {
        c.found.frame.zero_deg = std::fmod(v + 360, 360);
        c.found.angles_guessed = false;
    });
    return box;
}

QWidget* ChartPage::make_right() {
    auto* side = new QWidget;
    auto* column = new QVBoxLayout(side);
    column->setContentsMargins(14, 8, 14, 10);
    column->setSpacing(7);
    column->addWidget(group_head(tr("Chart")));
    column->addWidget(make_chart_rows());
    fault_ = new QLabel;
    fault_->setObjectName("chartFault");
    fault_->setWordWrap(true);
    column->addWidget(fault_);
    column->addWidget(group_head(tr("Antenna")));
    auto* grid = new QGridLayout;
    grid->setVerticalSpacing(5);
    int line = 0;
    const auto row = [&](const QString& words, QWidget* field) { add_row(grid, line++, words, field); };
    name_ = new QLineEdit;
    name_->setObjectName("chartName");
    row(tr("Name"), name_);
    gain_ = new UnitField("dBi");
    gain_->setObjectName("chartGain");
    row(tr("Gain, printed"), gain_);
    frequency_ = new UnitField("MHz");
    frequency_->setObjectName("chartFrequency");
    row(tr("Frequency"), frequency_);
    for (UnitField* f : {gain_, frequency_})
        connect(f, &UnitField::confirmed, this, [this, f](const QString& typed) {
            f->show_value(typed);
            refresh();
        });
    column->addLayout(grid);
    column->addWidget(group_head(tr("Checks")));
    checks_ = new ChartChecks;
    connect(checks_, &ChartChecks::changed, this, &ChartPage::refresh);
    connect(checks_, &ChartChecks::fit_wanted, this, &ChartPage::fit_rings);
    column->addWidget(checks_);
    column->addStretch(1);
    return page_side(this, side, 346);
}

void ChartPage::open(const QString& file, const PatternCuts& now) {
    now_ = now;
    gain_->clear();  // the sheet tells it, not the antenna of before
    frequency_->setText(render::figure(now.frequency_mhz));
    name_->setText(QFileInfo(file).completeBaseName());
    read(file, 1);
}

void ChartPage::read(const QString& file, int page) {
    behind_.request(job(
        tr("Reading %1").arg(QFileInfo(file).fileName()),
        [file, page](const AtWork& at) { return read_chart_sheet(file, page, at.cancel()); },
        [this](ChartSheet sheet) { show_sheet(std::move(sheet)); },
        [this](const QString& why) { workspace_.tell(why, true); }));
}

void ChartPage::show_sheet(ChartSheet sheet) {
    sheet_ = std::move(sheet);
    stale_.clear();
    chosen_ = sheet_.charts.empty() ? -1 : 0;
    page_->clear();
    for (int i = 1; i <= sheet_.pages; ++i) page_->addItem(tr("page %1").arg(i));
    page_->setCurrentIndex(sheet_.page - 1);
    page_->setVisible(sheet_.pages > 1);
    title_->setText(sheet_.name);
    told_->setText(sheet_.charts.empty() ? tr("no chart is seen on it: add one by hand")
                                         : counted("%n chart", "%n charts", sheet_.charts.size()));
    take_words();
    canvas_->show_sheet(&sheet_, chosen_);
    refresh();
    emit opened();
}

/// Gain and frequency as the sheet has them in words, where nobody has typed them: a table may stand on
/// another page than the charts.
void ChartPage::take_words() {
    const ToldInWords told = told_in_words(sheet_.words.left(100'000).toStdString());
    if (told.gain_dbi && gain_->text().isEmpty()) gain_->show_value(render::figure(*told.gain_dbi, 1));
    if (told.frequency_mhz && frequency_->text() == render::figure(now_.frequency_mhz))
        frequency_->show_value(render::figure(*told.frequency_mhz));
}

TracedChart* ChartPage::chosen_chart() {
    return chosen_ >= 0 && chosen_ < static_cast<int>(sheet_.charts.size())
               ? &sheet_.charts[static_cast<std::size_t>(chosen_)]
               : nullptr;
}

/// What no chart of the sheet is used as yet.
ChartUse ChartPage::free_use() const {
    for (ChartUse use : {ChartUse::azimuth, ChartUse::elevation})
        if (std::ranges::find(sheet_.charts, use, &TracedChart::use) == sheet_.charts.end()) return use;
    return ChartUse::none;
}

TracedChart* ChartPage::used_as(ChartUse use) {
    for (TracedChart& c : sheet_.charts)
        if (c.use == use && c.curve) return &c;
    return nullptr;
}

void ChartPage::choose(int chart) {
    chosen_ = chart;
    canvas_->changed(chosen_);
    refresh_rows();
}

void ChartPage::change(const std::function<void(TracedChart&)>& how) {
    TracedChart* c = chosen_chart();
    if (!c) return;
    how(*c);
    retrace(chosen_);
}

void ChartPage::retrace(int chart) {
    canvas_->changed(chosen_);
    stale_.insert(chart);
    std::map<int, TracedChart> wanted;
    for (int i : stale_) wanted[i] = sheet_.charts[static_cast<std::size_t>(i)];
    const auto picture = sheet_.picture;
    behind_.request(job(
        tr("Following the curve"),
        [picture, wanted](const AtWork& at) {
            std::map<int, TracedChart> traced = wanted;
            for (auto& [index, c] : traced) trace(*picture, c, at.cancel());
            return traced;
        },
        [this, picture](const std::map<int, TracedChart>& traced) {
            if (picture != sheet_.picture) return;
            for (const auto& [index, c] : traced) {
                TracedChart& mine = sheet_.charts[static_cast<std::size_t>(index)];
                mine.curve = c.curve;
                mine.fault = c.fault;
                stale_.erase(index);
            }
            refresh();
        },
        [this](const QString& why) { workspace_.tell(why, true); }));
}

void ChartPage::use_as(int use) {
    TracedChart* chart = chosen_chart();
    if (!chart) return;
    const auto wanted = static_cast<ChartUse>(use);
    for (TracedChart& c : sheet_.charts)
        if (wanted != ChartUse::none && c.use == wanted) c.use = chart->use;
    chart->use = wanted;
    refresh();
}

void ChartPage::fit_rings() {
    TracedChart *a = used_as(ChartUse::azimuth), *e = used_as(ChartUse::elevation);
    if (!a || !e) return workspace_.tell(tr("Both an azimuth and an elevation are needed"), true);
    const JointFit fit = fit_jointly(*a, *e);
    refresh();
    workspace_.tell(tr("Rings by %1 px: behind %2 dB now")
                        .arg(render::figure(fit.rings_px, 1), render::figure(fit.behind_db, 1)));
}

PatternCuts ChartPage::cuts() {
    PatternCuts made = now_;
    if (TracedChart* a = used_as(ChartUse::azimuth)) made.azimuth = as_cut(*a);
    if (TracedChart* e = used_as(ChartUse::elevation)) made.elevation = as_cut(*e);
    const double a = made.azimuth[180], e = made.elevation[180];
    switch (checks_->behind_take()) {
        case BehindTake::azimuth:
            made = with_back_at(made, a);
            break;
        case BehindTake::mean:
            made = with_back_at(made, (a + e) / 2);
            break;
        case BehindTake::elevation:
            made = with_back_at(made, e);
            break;
        case BehindTake::each_its_own:
            break;
    }
    const auto typed = read_number(render::plain(frequency_->text()));
    if (typed && *typed > 0) made.frequency_mhz = *typed;
    return with_peak_at_0(made);
}

void ChartPage::refresh() {
    canvas_->changed(chosen_);
    refresh_rows();
    const PatternCuts both = cuts();
    const BandId band = band_near(both.frequency_mhz);
    plots_->show_cuts(both, band);
    canvas_->set_band(band);
    refresh_checks(both);
}

void ChartPage::refresh_rows() {
    const TracedChart* c = chosen_chart();
    for (QWidget* w : std::initializer_list<QWidget*>{use_, ring_, zero_, runs_, colour_, by_hand_})
        w->setEnabled(c);
    fault_->clear();
    if (!c) return;
    use_->setCurrentIndex(static_cast<int>(c->use));
    ring_->show_value(render::figure(c->found.ring_db, 1));
    zero_->show_value(render::figure(c->found.frame.zero_deg, 1));
    runs_->setCurrentIndex(c->found.frame.clockwise ? 0 : 1);
    if (c->curve) {
        QPixmap swatch(12, 12);
        swatch.fill(QColor(c->curve->colour.red, c->curve->colour.green, c->curve->colour.blue));
        colour_->setIcon(swatch);
    }
    QStringList notes;
    if (!c->fault.isEmpty()) notes << c->fault;
    if (c->found.ring_db_guessed)
        notes << tr("No label tells the rings: %1 dB is a guess.").arg(render::figure(c->found.ring_db));
    if (c->found.angles_guessed)
        notes << tr("No label tells the angles: 0 at the top, clockwise, is a guess.");
    if (!c->drawn.empty())
        notes << counted("%n place or stretch is drawn by hand.", "%n places or stretches are drawn by hand.",
                         c->drawn.size());
    if (c->curve) notes << tr("Values are within about ± %1 dB.").arg(render::figure(c->curve->error_db, 2));
    fault_->setText(notes.join(" "));
}

void ChartPage::refresh_checks(const PatternCuts& both) {
    const auto gain = read_number(render::plain(gain_->text()));
    const TracedChart *a = used_as(ChartUse::azimuth), *e = used_as(ChartUse::elevation);
    int guessed = 0;
    for (const TracedChart* c : {a, e})
        if (c) guessed += static_cast<int>(std::ranges::count(c->curve->guessed, true));
    checks_->show_cuts(both, gain, guessed);
    accept_->setEnabled((a || e) && gain);
}

void ChartPage::accept() {
    const auto gain = read_number(render::plain(gain_->text()));
    if (!gain) return;
    const ChartResult result{name_->text().trimmed(), cuts(), *gain};
    emit accepted(result);
}

/// A sheet takes up to sixty megabytes: not while nobody looks at it.
void ChartPage::hideEvent(QHideEvent* e) {
    if (e->spontaneous()) return;  // the window is put away, and comes back
    behind_.stop();
    canvas_->show_sheet(nullptr, -1);
    sheet_ = {};
    stale_.clear();
    chosen_ = -1;
}

void ChartPage::keyPressEvent(QKeyEvent* e) {
    if (e->key() == Qt::Key_Escape) return emit left();
    QWidget::keyPressEvent(e);
}

void ChartPage::paintEvent(QPaintEvent*) { QPainter(this).fillRect(rect(), theme().paper); }

}  // namespace yemvo::app
