// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/first_answer/answer_page.h"

#include <QComboBox>
#include <QGridLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QPainter>
#include <QPushButton>
#include <QScrollArea>

#include "app/first_answer/answer_sheet.h"
#include "app/first_answer/rough_plan.h"
#include "app/forms/form_parts.h"
#include "app/forms/page_parts.h"
#include "app/look/theme.h"
#include "app/model/document.h"
#include "app/model/in_view.h"
#include "project/library.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {

AnswerPage::AnswerPage(Workspace& workspace, QWidget* parent) : QWidget(parent), workspace_(workspace) {
    auto* row = page_body(this, "answerPage", make_head());
    auto* scroll = new QScrollArea(this);
    scroll->setWidgetResizable(true);
    scroll->setFrameShape(QFrame::NoFrame);
    sheet_ = new AnswerSheet;
    scroll->setWidget(sheet_);
    row->addWidget(scroll, 1);
    row->addWidget(make_side());
    connect(sheet_, &AnswerSheet::tried, this,
            [this](const AnswerWish& wish) { choose([&](AnswerWish& w) { w = wish; }); });
    connect(&workspace_, &Workspace::project_changed, this, [this] {
        if (isVisible()) work_out();
    });
}

QWidget* AnswerPage::make_head() {
    const PageHead head = page_head(this, tr("First answer"));
    head.about->setText(tr("From zones and demand alone, before any access point stands"));
    hour_ = new QComboBox(this);
    hour_->setObjectName("answerHour");
    hour_->setAccessibleName(tr("Busy hour"));
    connect(hour_, &QComboBox::activated, this, [this](int i) {
        const auto& hours = of_.demand.hours;
        if (i >= 0 && static_cast<std::size_t>(i) < hours.size())
            choose([&](AnswerWish& w) { w.hour = hours[static_cast<std::size_t>(i)].key; });
    });
    head.bar->addWidget(hour_);
    place_ = push_button(tr("Place as a start"), "placeStart",
                         tr("Puts these access points on the plan, as one edit that can be undone"));
    connect(place_, &QPushButton::clicked, this, &AnswerPage::place);
    head.bar->addWidget(place_);
    auto* back = push_button(tr("Back to the plan"), "main", tr("Esc"));
    back->setProperty("tests", "leaveAnswer");
    connect(back, &QPushButton::clicked, this, &AnswerPage::left);
    head.bar->addWidget(back);
    return head.widget;
}

UnitField* AnswerPage::number(QWidget* side, const QString& object, const QString& unit, Range range,
                              std::function<double()> get, std::function<void(double)> set) {
    auto* field = new UnitField(unit, side);
    field->setObjectName(object);
    connect(field, &UnitField::confirmed, this, [this, field, range, get, set, unit](const QString& text) {
        try {
            set(parse_number(text, range.low, range.high, unit));
            work_out();
        } catch (const Error& refused) {
            field->show_fault(fault_text(refused));
            workspace_.tell(fault_text(refused), true);
        }
    });
    refreshes_.push_back([field, get] { field->show_value(render::figure(get())); });
    return field;
}

QWidget* AnswerPage::make_side() {
    auto* side = new QWidget(this);
    auto* column = new QVBoxLayout(side);
    column->setContentsMargins(12, 8, 12, 8);
    column->setSpacing(6);
    column->addWidget(group_head(tr("Rough positions")));
    plan_ = new RoughPlan(side);
    column->addWidget(plan_);
    auto* about = new QLabel(
        tr("A start for Placement, not a plan: spread evenly over each zone. Ring: the area that each "
           "has to cover."));
    about->setObjectName("muted");
    about->setWordWrap(true);
    column->addWidget(about);
    column->addWidget(group_head(tr("It is of")));
    from_ = new QComboBox(side);
    from_->setObjectName("answerFrom");
    from_->setAccessibleName(tr("It is of"));
    from_->addItems({tr("The zones of the project"), tr("Length, width and people")});
    connect(from_, &QComboBox::activated, this, [this](int i) {
        by_size_ = i == 1;
        work_out();
    });
    column->addWidget(from_);
    by_size_rows_ = new QWidget(side);
    auto* size = new QGridLayout(by_size_rows_);
    size->setContentsMargins(0, 0, 0, 0);
    const auto plain = [&](int row, const QString& words, const char* object, const QString& unit,
                           Range range, auto get, auto set) {
        add_row(size, row, words, number(side, object, unit, range, get, set));
    };
    plain(
        0, tr("Length"), "answerLength", "m", {1, 2000}, [this] { return plain_.length_m; },
        [this](double v) { plain_.length_m = v; });
    plain(
        1, tr("Width"), "answerWidth", "m", {1, 2000}, [this] { return plain_.width_m; },
        [this](double v) { plain_.width_m = v; });
    plain(
        2, tr("Floors"), "answerFloors", {}, {1, 100}, [this] { return double(plain_.floors); },
        [this](double v) { plain_.floors = static_cast<int>(v); });
    plain(
        3, tr("People"), "answerPeople", {}, {0, 100'000}, [this] { return plain_.people; },
        [this](double v) { plain_.people = v; });
    use_ = new QComboBox(side);
    use_->setObjectName("answerUse");
    for (const ZoneUse& use : standard_uses())
        use_->addItem(tr_mark(use.name), QString::fromStdString(use.key));
    connect(use_, &QComboBox::activated, this, [this] {
        plain_.use = use_->currentData().toString().toStdString();
        work_out();
    });
    add_row(size, 4, tr("Use"), use_);
    column->addWidget(by_size_rows_);
    column->addWidget(group_head(tr("Chosen")));
    auto* grid = new QGridLayout;
    int row = 0;
    for (const Band& b : bands()) {
        auto* width = new QComboBox(side);
        width->setObjectName("answerWidth" + QString::fromStdString(b.name));
        width->addItem(tr("not used"), 0);
        for (int mhz : channel_widths_mhz())
            if (!channels(b.id, mhz).empty()) width->addItem(QString("%1 MHz").arg(mhz), mhz);
        connect(width, &QComboBox::activated, this, [this, width, i = b.id.index] {
            const int mhz = width->currentData().toInt();
            choose([&](AnswerWish& w) {
                w.bands[i].used = mhz > 0;
                if (mhz > 0) w.bands[i].width_mhz = mhz;
            });
        });
        add_row(grid, row++, QString::fromStdString(b.name) + " GHz", width);
        widths_.push_back(width);
    }
    const auto chosen = [&](const QString& words, const char* object, const QString& unit, Range range,
                            auto get, auto set) {
        add_row(grid, row++, words, number(side, object, unit, range, get, set));
    };
    chosen(
        tr("Airtime"), "answerAir", tr("% a radio"), {1, 100}, [this] { return 100 * wish_.most_air; },
        [this](double v) { wish_.most_air = v / 100; });
    chosen(
        tr("Clients"), "answerClients", tr("a radio"), {1, 10'000}, [this] { return wish_.most_clients; },
        [this](double v) { wish_.most_clients = v; });
    chosen(
        tr("Networks"), "answerNetworks", tr("names"), {1, 64}, [this] { return double(wish_.networks); },
        [this](double v) { wish_.networks = static_cast<int>(v); });
    chosen(
        tr("Margin"), "answerMargin", "dB", {0, 40}, [this] { return wish_.margin_db; },
        [this](double v) { wish_.margin_db = v; });
    column->addLayout(grid);
    column->addStretch(1);
    return page_side(this, side, 300);
}

bool AnswerPage::from_zones() const {
    for (const Floor* f : all_floors(workspace_.project()))
        for (const Zone& z : *f->zones)
            if (z.kind == ZoneKind::served || z.kind == ZoneKind::keep_out) return true;
    return false;
}

void AnswerPage::begin() {
    if (!workspace_.document().is_open()) return;
    wish_ = usual_answer(workspace_.project());
    by_size_ = !from_zones();
    work_out();
}

void AnswerPage::choose(const std::function<void(AnswerWish&)>& how) {
    how(wish_);
    work_out();
}

void AnswerPage::work_out() {
    answer_.reset();
    try {
        of_ = workspace_.project();
        if (by_size_) {
            Project made = plain_site(plain_);
            made.models = of_.models;  // the gear that is counted
            made.demand.uplink = of_.demand.uplink;
            made.settings = of_.settings;
            of_ = std::move(made);
            wish_.hour = of_.demand.hour;
        } else if (!find_hour(of_.demand, wish_.hour)) {
            wish_.hour = of_.demand.hour;
        }
        answer_ = first_answer(of_, wish_);
        sheet_->show_answer(of_, wish_, *answer_);
        FloorId floor = answer_->floors.front().floor;
        for (const AnswerFloor& f : answer_->floors)
            if (!by_size_ && f.floor == workspace_.floor_id()) floor = f.floor;
        plan_->show_floor(of_, floor, *answer_, wish_.hour);
    } catch (const Error& refused) {
        sheet_->show_nothing(fault_text(refused));
    }
    show_values();
}

void AnswerPage::show_values() {
    from_->setCurrentIndex(by_size_ ? 1 : 0);
    by_size_rows_->setVisible(by_size_);
    hour_->clear();
    for (const BusyHour& h : of_.demand.hours) hour_->addItem(QString::fromStdString(h.name));
    const auto at = std::ranges::find(of_.demand.hours, wish_.hour, &BusyHour::key);
    hour_->setCurrentIndex(at == of_.demand.hours.end() ? 0
                                                        : static_cast<int>(at - of_.demand.hours.begin()));
    hour_->setVisible(of_.demand.hours.size() > 1);
    for (const Band& b : bands()) {
        const AnswerBand& own = wish_.bands[b.id.index];
        QComboBox* width = widths_[b.id.index];
        width->setCurrentIndex(std::max(0, width->findData(own.used ? own.width_mhz : 0)));
    }
    use_->setCurrentIndex(std::max(0, use_->findData(QString::fromStdString(plain_.use))));
    for (const auto& refresh : refreshes_) refresh();
    place_->setEnabled(answer_ && !by_size_ && wish_.model);
}

void AnswerPage::place() {
    if (!answer_ || by_size_) return;
    const auto places = rough_places(of_, *answer_);
    bool done = false;
    try {
        done = workspace_.edit(tr("Place access points as a start"),
                               [&](Project& p) { place_as_a_start(p, wish_, places); });
    } catch (const Error& refused) {
        workspace_.tell(fault_text(refused), true);
    }
    if (done) emit placed();
}

void AnswerPage::keyPressEvent(QKeyEvent* e) {
    if (e->key() == Qt::Key_Escape) return emit left();
    QWidget::keyPressEvent(e);
}

void AnswerPage::paintEvent(QPaintEvent*) { QPainter(this).fillRect(rect(), theme().chrome); }

}  // namespace yemvo::app
