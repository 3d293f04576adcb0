package dev.lastcut.server.api;

import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.servers.Server;
import jakarta.servlet.http.HttpServletRequest;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springframework.boot.web.servlet.FilterRegistrationBean;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.CacheControl;
import org.springframework.web.filter.ShallowEtagHeaderFilter;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.ViewControllerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** The interface's pages all start from one document; the API describes itself. */
@Configuration
class WebConfig implements WebMvcConfigurer {
    private final JobThere jobThere;
    private final BoardFirst boardFirst;

    WebConfig(JobThere jobThere, BoardFirst boardFirst) {
        this.jobThere = jobThere;
        this.boardFirst = boardFirst;
    }

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(jobThere).addPathPatterns("/api/jobs/**");
        registry.addInterceptor(boardFirst).addPathPatterns("/api/jobs/{id}/**");
    }

    @Override
    public void addViewControllers(ViewControllerRegistry registry) {
        registry.addViewController("/").setViewName("forward:/index.html");
        registry.addViewController("/jobs/**").setViewName("forward:/index.html");
    }

    /** Scripts, styles and fonts are named by what is in them: they never change. */
    @Override
    public void addResourceHandlers(ResourceHandlerRegistry registry) {
        registry.addResourceHandler("/assets/**")
                .addResourceLocations("classpath:/static/assets/")
                .setCacheControl(CacheControl.maxAge(Duration.ofDays(365)).immutable());
    }

    /** Answers of the API carry a tag; whoever has that answer already is told so in a word. */
    @Bean
    FilterRegistrationBean<ShallowEtagHeaderFilter> tags() {
        FilterRegistrationBean<ShallowEtagHeaderFilter> bean =
                new FilterRegistrationBean<>(
                        new ShallowEtagHeaderFilter() {
                            @Override
                            protected boolean shouldNotFilter(HttpServletRequest request) {
                                String path = request.getRequestURI();
                                // Streams and files to keep are not held back to be weighed.
                                return !request.getMethod().equals("GET")
                                        || path.endsWith("/events")
                                        || path.endsWith(".zip")
                                        || path.endsWith("/whole")
                                        || path.endsWith("/file")
                                        || path.endsWith("/database");
                            }
                        });
        bean.getFilter().setWriteWeakETag(true);
        bean.addUrlPatterns("/api/*");
        return bean;
    }

    /** Properties that may be absent; every other one is always sent. */
    private static final Set<String> OPTIONAL = Set.of("signOff", "pin1X", "pin1Y");

    @Bean
    OpenApiCustomizer required() {
        return api -> api.getComponents().getSchemas().values().forEach(WebConfig::require);
    }

    private static void require(Schema<?> schema) {
        Map<?, ?> properties = schema.getProperties();
        if (properties != null) {
            schema.setRequired(
                    properties.keySet().stream()
                            .map(String::valueOf)
                            .filter(p -> !OPTIONAL.contains(p))
                            .sorted()
                            .toList());
        }
    }

    @Bean
    OpenAPI description() {
        return new OpenAPI()
                .info(new Info().title("Last Cut").version("1"))
                .servers(List.of(new Server().url("/")));
    }
}
